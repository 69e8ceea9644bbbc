"use client";

import { paintModel, PAPERS, pigmentById, type Hazard } from "@/core";
import type { OwnedPaint } from "@/db/paintbox";
import { Strip } from "@/ui/strip";
import { propertyWords } from "@/ui/property-words";
import { RoomHeader } from "@/ui/room-header";
import { Caution } from "@/ui/caution";

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
        {pigments.length === 1 ? pigments[0].transparency : `${pigments.length} pigments`}, {propertyWords({ granulation: model.granulation, staining })}
      </p>
      {hazards.length > 0 && <p className="label-line leading-snug">contains {hazards.join(", ")}</p>}
    </li>
  );
}

/** The paintbox: every paint as its strip, with what it is made of. */
export function Paintbox({ paints }: { paints: readonly OwnedPaint[] }) {
  return (
    <div className="min-h-dvh">
      <RoomHeader room="Paintbox">
        <p className="quiet">{paints.length} paints, colours computed from typical pigment data</p>
      </RoomHeader>
      <main className="mx-auto max-w-[1300px] px-6 py-6">
        <ul className="grid grid-cols-[repeat(auto-fill,290px)] justify-center gap-x-6 gap-y-7">
          {paints.map((paint) => <PaintCard key={paint.id} paint={paint} />)}
        </ul>
        <Caution className="mt-10 max-w-3xl" />
      </main>
    </div>
  );
}
