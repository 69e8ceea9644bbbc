"use client";

import { ImagePlus } from "lucide-react";
import { useRouter } from "next/navigation";
import { useCallback, useRef, useState } from "react";
import { paintingPage } from "@/model/addresses";
import { useDroppedFiles } from "@/ui/dropped-files";
import { PHOTO_TYPES } from "@/ui/photo-types";
import { uploadBackup, uploadPainting, uploadPhoto, type UploadProgress, type UploadRefused } from "@/ui/upload";

type Bringing =
  | { readonly state: "idle" }
  | { readonly state: "busy"; readonly share: number }
  | { readonly state: "refused"; readonly message: string };

/** Where to go with what was brought; after everything was put back this window knows nothing that still holds. */
interface Laid {
  readonly address: string;
  readonly anew: boolean;
}

const ELSEWHERE =
  "There is something of your own here already. Bring the backup under Paintings, Safe keeping: there you are told what it would replace.";

/** Sends what was brought, a photo, a painting's file or everything; where to go then, or what was wrong with it. */
async function laidOut(file: File, clear: boolean, onProgress: UploadProgress): Promise<Laid | UploadRefused> {
  if (!/\.zip$/i.test(file.name)) {
    const photo = await uploadPhoto(file, onProgress);
    return "id" in photo ? { address: paintingPage(photo.id), anew: false } : photo;
  }
  if (clear) {
    const everything = await uploadBackup(file, onProgress);
    if ("restored" in everything) return { address: "/paintings", anew: true };
    if ("waiting" in everything) return { message: ELSEWHERE };
  }
  const painting = await uploadPainting(file, onProgress);
  return "id" in painting ? { address: paintingPage(painting.id), anew: false } : painting;
}

/** Brings in the painter's own photo by button, drop or paste; the new painting opens, a refused photo is explained. */
export function NewPainting({
  className = "btn btn-sm",
  words = "Your photo",
  clear = false,
}: {
  className?: string;
  words?: string;
  /** The desk is clear: a backup may be brought as well. */
  clear?: boolean;
}) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [bringing, setBringing] = useState<Bringing>({ state: "idle" });
  const busy = bringing.state === "busy";
  const bring = useCallback(
    (file: File): void => {
      setBringing({ state: "busy", share: 0 });
      void laidOut(file, clear, (share) => setBringing({ state: "busy", share })).then((result) => {
        if ("message" in result) setBringing({ state: "refused", message: result.message });
        else if (result.anew) window.location.assign(result.address);
        else router.push(result.address);
      });
    },
    [clear, router],
  );
  const bringFirst = useCallback((files: readonly File[]): void => bring(files[0]!), [bring]);
  const over = useDroppedFiles(bringFirst);
  return (
    <div className="relative">
      <button
        type="button"
        className={className}
        disabled={busy}
        onClick={() => input.current?.click()}
        title="Choose a photo, drop one anywhere on the page, or paste one"
      >
        <ImagePlus size={16} />{" "}
        {busy ? (bringing.share < 1 ? `Bringing it in, ${Math.round(100 * bringing.share)} %` : "Developing …") : words}
      </button>
      <input
        ref={input}
        type="file"
        accept={`${PHOTO_TYPES},.zip`}
        className="hidden"
        aria-label="Photo file"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) bring(file);
          event.target.value = "";
        }}
      />
      {busy && (
        <progress
          className="progress absolute inset-x-0 -bottom-1.5 h-1"
          aria-label="Bringing the photo in"
          {...(bringing.share < 1 ? { value: bringing.share, max: 1 } : {})}
        />
      )}
      {over && (
        <div className="pointer-events-none fixed inset-3 z-50 grid place-items-center rounded-box border-2 border-dashed border-primary bg-base-100/80">
          <p className="name-face text-3xl">Let go: a new painting begins with this</p>
        </div>
      )}
      {bringing.state === "refused" && (
        <div
          role="alert"
          className="absolute top-full right-0 z-40 mt-2 w-80 rounded-box border border-error bg-base-100 p-4 shadow-md"
        >
          <p>{bringing.message}</p>
          <button type="button" className="btn btn-sm mt-3" onClick={() => setBringing({ state: "idle" })}>
            All right
          </button>
        </div>
      )}
    </div>
  );
}
