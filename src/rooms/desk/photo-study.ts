"use client";

import { createContext, useContext, useEffect, useMemo, useState } from "react";
import { emptyMap, unpackMap, type AreaDetail, type AreasMeasured, type LabelMap } from "@/core/areas";
import { mapSizeOf, wholePhoto, type Frame, type PixelArray, type WhiteMatrix } from "@/core/image";
import type { PhotoRecord } from "@/storage/ports";
import type { Study } from "@/model/painting";
import type { Look, PhotoApi } from "@/workers/photo-api";
import { photoWorker } from "@/workers/start";
import type { WorkerLink } from "@/workers/worker-link";
import { decodeWorkingCopy, loadView } from "@/ui/decode-photo";
import { troubleWith } from "@/ui/trouble";
import { useDesk, whiteOf } from "./desk-store";

/** The worker that knows the photo's pixels: proposes, measures, splits. */
export type PhotoStudy = WorkerLink<PhotoApi>;

function studyOf({ width, height, data }: PixelArray): PhotoStudy {
  const study = photoWorker();
  // Questions are answered in their order: this one comes before any other.
  study
    .ask("open", { width, height, data: data as Uint8ClampedArray })
    .catch(troubleWith("The photo could not be studied"));
  return study;
}

/** The photo on the desk and all that is known of it. */
export interface OpenPhoto {
  readonly row: PhotoRecord;
  readonly size: { readonly width: number; readonly height: number };
  /** What is seen until the pixels are there; null before, and if there is no such copy. */
  readonly view: ImageBitmap | null;
  /** Null until it is decoded. */
  readonly pixels: PixelArray | null;
  /** Why the photo can't be shown; null while nothing is wrong. */
  readonly failed: string | null;
  readonly study: PhotoStudy | null;
}

const PhotoContext = createContext<OpenPhoto | null>(null);
export const PhotoProvider = PhotoContext.Provider;

/** The photo on the desk. */
export function usePhoto(): OpenPhoto {
  const photo = useContext(PhotoContext);
  if (!photo) throw new Error("Only usable on the desk.");
  return photo;
}

/** Loads a photo's working copy and opens its study. */
export function useOpenedPhoto(row: PhotoRecord): OpenPhoto {
  const [loaded, setLoaded] = useState<{ pixels: PixelArray; study: PhotoStudy } | { failed: string } | null>(null);
  const [view, setView] = useState<ImageBitmap | null>(null);
  useEffect(() => {
    let left = false;
    let study: PhotoStudy | null = null;
    // A first look comes before the large copy, which alone is measured; without one the large copy is waited for.
    const first = loadView(row.id).then(
      (bitmap) => void (!left && setView(bitmap)),
      () => {},
    );
    first
      .then(() => decodeWorkingCopy(row.id))
      .then(
        (pixels) => {
          if (left) return;
          study = studyOf(pixels);
          setLoaded({ pixels, study });
        },
        (error: unknown) => !left && setLoaded({ failed: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      left = true;
      study?.stop();
    };
  }, [row.id]);
  return useMemo(
    () => ({
      row,
      size: { width: row.workingWidthPx, height: row.workingHeightPx },
      view,
      failed: loaded && "failed" in loaded ? loaded.failed : null,
      pixels: loaded && "pixels" in loaded ? loaded.pixels : null,
      study: loaded && "study" in loaded ? loaded.study : null,
    }),
    [row, view, loaded],
  );
}

/** The frame of a study: what is painted of the photo. */
const frameOf = (study: Study, size: { width: number; height: number }): Frame => study.frame ?? wholePhoto(size);

/** Length of a sheet that nobody has measured yet, cm. */
const USUAL_LENGTH_CM = 38;

/** The sheet's size in cm. */
export function sheetOf(study: Study, size: { width: number; height: number }): { widthCm: number; heightCm: number } {
  if (study.sheet) return study.sheet;
  const { aspect } = frameOf(study, size);
  return aspect >= 1
    ? { widthCm: USUAL_LENGTH_CM, heightCm: USUAL_LENGTH_CM / aspect }
    : { widthCm: USUAL_LENGTH_CM * aspect, heightCm: USUAL_LENGTH_CM };
}

export function useFrame(): Frame {
  const { size } = usePhoto();
  const frame = useDesk((s) => s.document.study.frame);
  return useMemo(() => frame ?? wholePhoto(size), [frame, size]);
}

export function useWhite(): WhiteMatrix {
  const white = useDesk((s) => s.document.study.white);
  return useMemo(() => whiteOf(white), [white]);
}

export function useLook(): Look {
  const frame = useFrame();
  const white = useWhite();
  return useMemo(() => ({ frame, white: [...white] }), [frame, white]);
}

/** The areas' map, unpacked; an empty one while there is none. */
export function useAreaMap(): LabelMap {
  const { size } = usePhoto();
  const map = useDesk((s) => s.document.study.map);
  return useMemo(() => {
    if (map) return unpackMap(map.packed, map.width, map.height);
    const { width, height } = mapSizeOf(size.width, size.height);
    return emptyMap(width, height);
  }, [map, size]);
}

const MeasuredContext = createContext<AreasMeasured | null>(null);
export const MeasuredProvider = MeasuredContext.Provider;

/** What the photo shows within each area; null until it is measured. */
export const useMeasured = (): AreasMeasured | null => useContext(MeasuredContext);

/** Measures the areas anew whenever their map, the white or the frame changes. */
export function useMeasuring({ study }: OpenPhoto, map: LabelMap, look: Look): AreasMeasured | null {
  const [measured, setMeasured] = useState<AreasMeasured | null>(null);
  useEffect(() => {
    let stale = false;
    study
      ?.ask("measure", look, map.labels)
      .then((found) => !stale && setMeasured(found), troubleWith("The areas could not be measured"));
    return () => {
      stale = true;
    };
  }, [study, map, look]);
  return measured;
}

/** The thin things on an area's ground; null while that is not known, or where there are hardly any. */
export function useDetail(region: number | null): AreaDetail | null {
  const { study } = usePhoto();
  const look = useLook();
  const map = useAreaMap();
  const [found, setFound] = useState<{ of: LabelMap; details: ReadonlyMap<number, AreaDetail> } | null>(null);
  useEffect(() => {
    let stale = false;
    study
      ?.ask("details", look, map.labels)
      .then(
        (details) => !stale && setFound({ of: map, details }),
        troubleWith("The areas' detail could not be looked for"),
      );
    return () => {
      stale = true;
    };
  }, [study, look, map]);
  return found?.of === map && region !== null ? (found.details.get(region) ?? null) : null;
}
