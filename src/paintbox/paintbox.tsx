"use client";

import Link from "next/link";
import { paintModel, PAPERS, pigmentById, type Hazard } from "@/core";
import type { OwnedPaint } from "@/db/paintbox";
import { Strip } from "@/ui/strip";
import { Wordmark } from "@/ui/wordmark";

const granulationWord = (granulation: number): string => (granulation >= 0.5 ? "granulates" : granulation >= 0.25 ? "granulates a little" : "lies flat");
const stainingWord = (staining: number): string => (staining >= 0.7 ? "stains" : staining >= 0.4 ? "stains a little" : "lifts");

function PaintCard({ paint }: { paint: OwnedPaint }) {
  const pigments = paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId));
  const model = paintModel(paint.id, paint.pigments, paint.tintingStrength);
  const hazards = [...new Set<Hazard>(pigments.flatMap((pigment) => pigment.hazards ?? []))];
  const staining = Math.max(...pigments.map((pigment) => pigment.staining));
  return (
    <li>
      <Strip mix={[{ paint: model, parts: 1 }]} paper={PAPERS[0]} width={290} height={56} label={`${paint.name} from masstone to tint`} />
      <h2 className="name-face mt-1 text-xl leading-tight">{paint.name}</h2>
      <p className="quiet leading-snug">{paint.maker} {paint.line} · {pigments.map((pigment) => pigment.code).join(" ")}</p>
      <p className="leading-snug">
        {pigments.length === 1 ? pigments[0].transparency : `${pigments.length} pigments`}, {granulationWord(model.granulation)}, {stainingWord(staining)}
      </p>
      {hazards.length > 0 && <p className="label-line leading-snug">contains {hazards.join(", ")}</p>}
    </li>
  );
}

/** The paintbox: every paint as its strip, with what it is made of. */
export function Paintbox({ paints }: { paints: readonly OwnedPaint[] }) {
  return (
    <div className="min-h-dvh">
      <header className="bg-base-100">
        <div className="flex h-13 items-center gap-4 px-5">
          <Wordmark />
          <h1 className="name-face text-lg">Paintbox</h1>
          <p className="quiet">{paints.length} paints, colours computed from typical pigment data</p>
          <Link href="/" className="btn btn-ghost btn-sm ml-auto">Back to the desk</Link>
        </div>
        <div aria-hidden className="h-[3px]" style={{ background: "var(--afterglow)" }} />
      </header>
      <main className="mx-auto max-w-[1300px] px-6 py-6">
        <ul className="grid grid-cols-[repeat(auto-fill,290px)] justify-center gap-x-6 gap-y-7">
          {paints.map((paint) => <PaintCard key={paint.id} paint={paint} />)}
        </ul>
        <p className="quiet mt-10 max-w-3xl text-[0.9rem]">
          Pigments with cadmium, cobalt, nickel, manganese, chromium, zinc or copper ask for the usual care: no brush in the mouth, no food at the table, no sanding or spraying
          without suitable protection, gloves on broken skin, rinse water by local rules. The label and the safety data sheet decide; for anything medical ask a doctor.
        </p>
      </main>
    </div>
  );
}
