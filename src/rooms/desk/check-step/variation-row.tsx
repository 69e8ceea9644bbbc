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
  return (
    <MixRow
      colour={colour}
      laid={variation}
      beside={colour.laid.dry}
      names={["the mix as it is", `the mix with more ${name}`]}
      spoken={`${partsWord(added)} more ${name}`}
      title={
        <>
          + {partsWord(added)} {name}{" "}
          <span className="quiet font-normal">
            {Number.isInteger(before) ? `to ${counted(before, "part")}` : "to the puddle"}
          </span>
        </>
      }
      says={`${warmthWords(variation)}, ${describeColour(dry).hueName}; ${waterWords(waterParts)}`}
    />
  );
}
