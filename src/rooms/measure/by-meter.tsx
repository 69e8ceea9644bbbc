"use client";

import { RotateCcw } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import {
  MeterRefused,
  patchOfSpectrum,
  type ColourMeter,
  type MeasuredPatch,
  type MeterRefusal,
} from "@/core/calibration";
import { type PigmentShare } from "@/core/pigments";
import { madeUpSwatches, simulatedMeter } from "@/core/simulation";
import { useMeasure, useMeasureStore } from "./measure-store";
import { BeginAnew, OnePaintFields, OnePaintResult, storedPatchOf, useOnePaint } from "./one-paint";
import { placeWords, USUAL_PLACES, type SwatchPlace } from "./swatch-places";

const REFUSALS: Readonly<Record<MeterRefusal, string>> = {
  "not connected": "The meter is not connected. Connect it first.",
  "white not seen": "The meter must see its white first. Put it on its tile and calibrate.",
  "not flat": "The meter was not flat on the paper. Press it down and read again.",
};

const seedOf = (text: string): number => [...text].reduce((h, c) => (Math.imul(h, 31) + c.charCodeAt(0)) | 0, 11);

/** A simulated meter on made-up swatches of a paint; the place it stands on is set before each reading. */
function meterOn(paint: { readonly id: string; readonly pigments: readonly PigmentShare[] }): {
  meter: ColourMeter;
  putOn: (place: SwatchPlace) => void;
} {
  const swatches = madeUpSwatches(paint.pigments, seedOf(paint.id));
  let at = USUAL_PLACES[0]!;
  const meter = simulatedMeter({
    under: () => swatches(at.what, at.swatch, at.waterParts),
    random: Math.random,
    now: () => performance.now(),
    wait: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
  });
  return { meter, putOn: (place) => (at = place) };
}

/** Measuring with a hand-held meter: connect, calibrate on white, read place by place. */
export function ByMeter({ start }: { start: string | null }) {
  const [one, setOne] = useOnePaint(start);
  const onTable = useRef<(ReturnType<typeof meterOn> & { paintId: string }) | null>(null);
  const [state, setState] = useState({ connected: false, readingsLeft: 0 });
  const [busy, setBusy] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const readings: readonly (MeasuredPatch | null)[] = useMeasure((s) => s.readings);
  const store = useMeasureStore();
  const setReadings = (
    change: (list: readonly (MeasuredPatch | null)[]) => readonly (MeasuredPatch | null)[],
  ): void => {
    const { readings: list, setReadings: set } = store.getState();
    store.getState().setOne({ paintId: paint?.id ?? null });
    set(change(list).map(storedPatchOf));
  };
  const patches = useMemo(() => readings.filter((patch) => patch !== null), [readings]);
  const next = readings.findIndex((patch) => patch === null);
  const { paint } = one;
  const meter = (): ReturnType<typeof meterOn> | null => {
    if (!paint) return null;
    if (onTable.current?.paintId !== paint.id) onTable.current = { ...meterOn(paint), paintId: paint.id };
    return onTable.current;
  };
  const doing = async (words: string, work: (on: ReturnType<typeof meterOn>) => Promise<void>): Promise<void> => {
    const on = meter();
    if (!on) return;
    setBusy(words);
    setFault(null);
    try {
      await work(on);
    } catch (error) {
      setFault(
        error instanceof MeterRefused
          ? REFUSALS[error.why]
          : "The meter stopped answering. Disconnect it, connect it again and read the place once more.",
      );
    } finally {
      setState(on.meter.state());
      setBusy(null);
    }
  };
  const read = (index: number): Promise<void> =>
    doing(`Reading ${placeWords(USUAL_PLACES[index]!)} …`, async ({ meter: own, putOn }) => {
      const place = USUAL_PLACES[index]!;
      putOn(place);
      const reflectance = await own.read();
      setReadings((list) =>
        list.map((patch, i) =>
          i === index ? patchOfSpectrum(place.what, place.swatch, place.waterParts, reflectance) : patch,
        ),
      );
    });
  const toggle = (index: number): void =>
    setReadings((list) =>
      list.map((patch) => (patch && patch === patches[index] ? { ...patch, leftOut: !patch.leftOut } : patch)),
    );
  return (
    <div className="mx-auto max-w-5xl space-y-5 px-6 py-6">
      <p role="note" className="rounded-field border border-(--hairline) p-3">
        The meter that comes with Abendrot is <b>simulated</b>: it reads swatches that nobody painted, with the noise
        and drift of a small hand-held instrument, so that the way can be tried. Real meters would stand behind the same
        steps. What is kept is marked as simulated.
      </p>
      <OnePaintFields
        one={one}
        onChange={(change) => {
          if (change.paintId && change.paintId !== paint?.id) {
            setReadings(() => USUAL_PLACES.map(() => null));
            setState({ connected: false, readingsLeft: 0 });
          }
          setOne(change);
        }}
      />
      <section aria-label="Meter" className="grid grid-cols-[15rem_1fr] gap-8">
        <div className="space-y-2">
          <h2 className="name-face text-xl">Simulated meter</h2>
          <p className="quiet" role="status">
            {busy ??
              (state.connected
                ? state.readingsLeft > 0
                  ? `ready, ${state.readingsLeft} readings until it needs its white`
                  : "connected: put it on its white tile"
                : "not connected")}
          </p>
          <button
            type="button"
            className={`btn btn-sm w-full ${state.connected ? "border-(--hairline) bg-base-100" : "btn-primary"}`}
            disabled={busy !== null || !paint}
            onClick={() =>
              void doing("Connecting …", ({ meter: own }) => (state.connected ? own.disconnect() : own.connect()))
            }
          >
            {state.connected ? "Disconnect" : "Connect"}
          </button>
          <button
            type="button"
            className={`btn btn-sm w-full ${state.connected && state.readingsLeft === 0 ? "btn-primary" : "border-(--hairline) bg-base-100"}`}
            disabled={busy !== null || !state.connected}
            onClick={() => void doing("Reading its white …", ({ meter: own }) => own.calibrateOnWhite())}
          >
            Calibrate on white
          </button>
          {fault && (
            <p role="alert" className="text-error">
              {fault}
            </p>
          )}
        </div>
        <ol aria-label="Places to read" className="space-y-1">
          {USUAL_PLACES.map((place, index) => (
            <li key={placeWords(place)} className="flex items-center gap-3">
              <span className={`w-64 whitespace-pre ${index === next ? "font-semibold" : ""}`}>
                {placeWords(place)}
              </span>
              <button
                type="button"
                className={`btn btn-xs ${index === next && state.readingsLeft > 0 ? "btn-primary" : "border-(--hairline) bg-base-100"}`}
                disabled={busy !== null || !state.connected}
                onClick={() => void read(index)}
                aria-label={`Read ${placeWords(place)}`}
              >
                {readings[index] ? (
                  <>
                    <RotateCcw size={12} /> again
                  </>
                ) : (
                  "Read"
                )}
              </button>
              {readings[index] && (
                <span className="quiet">
                  L* {readings[index].lab.L.toFixed(1)}, a* {readings[index].lab.a.toFixed(1)}, b*{" "}
                  {readings[index].lab.b.toFixed(1)}
                </span>
              )}
            </li>
          ))}
        </ol>
      </section>
      <BeginAnew one={one} start={start} />
      <OnePaintResult one={one} patches={patches} way="simulated meter" onToggle={toggle} />
    </div>
  );
}
