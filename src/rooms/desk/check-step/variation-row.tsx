"use client";

import { describeColour } from "@/core/colour";
import { waterWords } from "@/core/optics";
import type { Variation } from "@/core/variations";
import { counted } from "@/model/text";
import { partsWord } from "@/ui/recipe-bar";
import type { MixedColour } from "../mixed";
import { usePaints } from "../paints";
import { MixRow } from "./mix-row";
import { warmthWords } from "./words";

/** Another mix of the same value: what is added to the puddle, and what comes of it. */
export function VariationRow({ colour, variation }: { colour: MixedColour; variation: Variation }) {
  const paints = usePaints();
  const { mix, waterParts, dry, paint, added } = variation;
  if (!colour.laid) return null;
  const name = paints.get(paint.id)?.name ?? "paint";
  const before = mix.reduce((sum, part) => sum + part.parts, 0) - added;
  const gone = mix.every((part) => part.paint.id !== paint.id);
  const spoken = gone
    ? `the mix without ${name}`
    : `${partsWord(Math.abs(added))} ${added > 0 ? "more" : "less"} ${name}`;
  return (
    <MixRow
      colour={colour}
      laid={variation}
      beside={colour.laid.dry}
      names={["the mix as it is", spoken]}
      spoken={spoken}
      title={
        <>
          {gone ? "Without" : `${added > 0 ? "+" : "\u2212"} ${partsWord(Math.abs(added))}`} {name}{" "}
          {!gone && (
            <span className="quiet font-normal">
              {Number.isInteger(before) ? `${added > 0 ? "to" : "of"} ${counted(before, "part")}` : "to the puddle"}
            </span>
          )}
        </>
      }
      says={`${warmthWords(variation)}, ${describeColour(dry).hueName}; ${waterWords(waterParts)}`}
    />
  );
}
