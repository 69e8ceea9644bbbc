"use client";

import { useMemo, useState } from "react";
import type { SheetKind } from "@/core/calibration";
import { type Hazard, pigmentById } from "@/core/pigments";
import { Caution } from "@/ui/caution";
import { ChoosePhotos } from "./choose-photos";
import { Step } from "./guide-step";
import { useMeasure } from "./measure-store";
import { PrintSheet } from "./print-sheet";
import { useTakePhotos } from "./read-photos";
import { useRoom } from "./room";
import { SheetDrawing } from "./sheet-drawing";

function PaintIt({ kind }: { kind: SheetKind }) {
  const { paints } = useRoom();
  const hazards = useMemo(
    () => [
      ...new Set(
        paints.flatMap((paint) =>
          paint.pigments.flatMap(({ pigmentId }): readonly Hazard[] => pigmentById(pigmentId).hazards ?? []),
        ),
      ),
    ],
    [paints],
  );
  return (
    <Step number={2} title="Paint it">
      <SheetDrawing kind={kind} className="mx-auto h-64" />
      <ol className="list-decimal space-y-1 pl-5">
        {kind === "card" ? (
          <>
            <li>
              Four washes in a row: neat, 2 paint : 3 water, 1 : 6, 1 : 20. Count drops or brushfuls; a tenth more or
              less does no harm.
            </li>
            <li>The fifth from puddle 2, straight across the black line: it tells how opaque the paint is.</li>
          </>
        ) : (
          <>
            <li>
              Two washes of each paint: left neat, right one brushful of it to six of water. Rinse before the next one.
            </li>
            <li>
              Paints measured before may stand on it too: they tell whether the camera can be believed. A white needs a
              card, with its black line.
            </li>
          </>
        )}
        <li>
          Lay each wash once and leave it. Keep the paper between them bare: it is what everything is measured against.
        </li>
        <li>Let it dry flat until it is no longer cool to the touch. Paint dries lighter for an hour.</li>
      </ol>
      {hazards.length > 0 && <Caution />}
    </Step>
  );
}

function Photograph({ kind }: { kind: SheetKind }) {
  const { demoSheets } = useRoom();
  const take = useTakePhotos();
  const [fault, setFault] = useState<string | null>(null);
  const tryDemo = async (): Promise<void> => {
    try {
      const name = kind === "box" ? "box-sheet.jpg" : "swatch-card.jpg";
      const response = await fetch(`/demo/${name}`);
      if (!response.ok) throw new Error("no demo photo");
      take([new File([await response.blob()], name, { type: "image/jpeg" })]);
    } catch {
      setFault("The demo's photo did not arrive. Is Abendrot still running? Try again.");
    }
  };
  return (
    <Step number={3} title="Photograph it">
      <ul className="list-disc space-y-1 pl-5">
        <li>By a window in daylight, out of the sun. No lamp, no flash.</li>
        <li>
          From above, as straight as you can, all four round marks in the picture. Tilt, turn and shading are worked
          out.
        </li>
        <li>Nothing glossy: turn the sheet until no wash shines.</li>
        <li>A grey card or a colour chart, if you own one, may lie beside it.</li>
      </ul>
      <ChoosePhotos words="Photos of sheets" className="btn btn-primary w-full" />
      <p className="quiet text-[0.9rem]">
        One photo or ten: drop them anywhere on this page. Each sheet is known by its printed number.
      </p>
      {demoSheets[kind] !== null && (
        <p className="quiet text-[0.9rem]">
          {kind === "box" ? "No sheet" : "No card"} at hand?{" "}
          <button type="button" className="link" onClick={() => void tryDemo()}>
            {kind === "box" ? `Read the demo's box sheet ${demoSheets.box}` : `Read the demo's card ${demoSheets.card}`}
          </button>
          :{" "}
          {kind === "box"
            ? "a simulated photo of 24 paints of the demo box."
            : "a simulated photo of four paints of the demo box, bloom and all."}
        </p>
      )}
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
    </Step>
  );
}

/** From print to photo: what to do before there is anything to read. */
export function Guide({ start }: { start: string | null }) {
  const chosen = useMeasure((s) => s.sheet.kind);
  const setSheet = useMeasure((s) => s.setSheet);
  /** One paint is measured on a card; what was chosen the last time stands otherwise. */
  const [asked, setAsked] = useState<SheetKind | null>(start ? "card" : null);
  const kind = asked ?? chosen;
  const setKind = (next: SheetKind): void => {
    setAsked(null);
    setSheet({ kind: next });
  };
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-1 gap-x-10 gap-y-8 px-6 py-6 lg:grid-cols-3">
      <PrintSheet kind={kind} setKind={setKind} start={start} />
      <PaintIt kind={kind} />
      <Photograph kind={kind} />
    </div>
  );
}
