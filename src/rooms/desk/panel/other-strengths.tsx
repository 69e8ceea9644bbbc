"use client";

import { describeColour, screenColourOfLab, type Lab } from "@/core/colour";
import { otherStrengths, type MixPart } from "@/core/mixing";
import { waterWords, type Paper, type WaterParts } from "@/core/optics";

interface OtherStrengthsProps {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
  readonly dry: Lab;
  readonly paper: Paper;
  readonly onWater: (waterParts: WaterParts) => void;
}

/** What changes, as a painter says it: value first, then warmth and chroma where they move. */
function changeWords(from: Lab, to: Lab): string {
  const [one, two] = [describeColour(from), describeColour(to)];
  const words = [`value ${two.value.toFixed(1)}`];
  const warmer = two.temperature - one.temperature;
  if (Math.abs(warmer) > 4) words.push(warmer > 0 ? "warmer" : "cooler");
  const purer = two.chroma - one.chroma;
  if (Math.abs(purer) > 4) words.push(purer > 0 ? "purer" : "paler in colour");
  return words.join(", ");
}

/** The same mix with about half and about twice the water, and what that changes. */
export function OtherStrengths({ mix, waterParts, dry, paper, onWater }: OtherStrengthsProps) {
  const { richer, thinner } = otherStrengths(mix, waterParts, paper);
  return (
    <ul aria-label="Richer or thinner" className="space-y-1">
      {[
        { name: "Richer", at: richer, none: "It is as strong as it goes." },
        { name: "Thinner", at: thinner, none: "It is as thin as it goes." },
      ].map(({ name, at, none }) => (
        <li key={name} className="flex items-center gap-3 text-[0.9rem]">
          {at ? (
            <>
              <span aria-hidden className="h-6 w-10 shrink-0" style={{ background: screenColourOfLab(at.dry).hex }} />
              <span className="min-w-0 flex-1 leading-snug">
                <span className="font-semibold">{name}</span>, {waterWords(at.waterParts)}: {changeWords(dry, at.dry)}
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                aria-label={`Mix it ${name.toLowerCase()}`}
                onClick={() => onWater(at.waterParts)}
              >
                Use
              </button>
            </>
          ) : (
            <span className="quiet">{none}</span>
          )}
        </li>
      ))}
    </ul>
  );
}
