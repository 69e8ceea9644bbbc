"use client";

import { WASH_NAMES, type MeasuredPatch, type PaintFit } from "@/core/calibration";
import { HARDLY_SEEN, screenColourOfLab, type Lab } from "@/core/colour";
import { loadOfWater, washStrengthOf, waterOfLoad } from "@/core/optics";

interface PatchPairsProps {
  readonly patches: readonly MeasuredPatch[];
  /** What a fit makes of each; null where none was fitted, or while it is being fitted. */
  readonly fitted: PaintFit["fitted"] | null;
  /** What the washes are called; a card's names unless told. */
  readonly washNames?: readonly string[];
  /** Leaves a patch out or takes it in; without it the pairs are only shown. */
  readonly onToggle?: (index: number) => void;
}

const TITLES: Readonly<Record<MeasuredPatch["what"], (patch: MeasuredPatch, names: readonly string[]) => string>> = {
  wash: ({ swatch }, names) => names[swatch] ?? `wash ${swatch + 1}`,
  "across on paper": () => "beside line",
  "across on line": () => "on the line",
  "bare line": () => "bare line",
  "bare paper": () => "bare paper",
};

const hex = (lab: Lab): string => screenColourOfLab(lab).hex;

/** Every patch as it was measured, and touching it as the fit has it; a press leaves it out. */
export function PatchPairs({ patches, fitted: all, washNames = WASH_NAMES, onToggle }: PatchPairsProps) {
  return (
    <ul className="flex gap-1 rounded-field bg-(--photo-ground) p-1.5 text-(--photo-ink)">
      {patches.map((patch, index) => {
        const fitted = all?.[index] ?? null;
        const title = TITLES[patch.what](patch, washNames);
        const { L, a, b } = patch.lab;
        const strength = fitted
          ? `estimated as ${washStrengthOf(waterOfLoad(fitted.load)).word}, ${Math.round((100 * fitted.load) / loadOfWater(patch.waterParts))} % of what was meant`
          : "";
        const words = `${title}: measured L* ${L.toFixed(0)}, a* ${a.toFixed(0)}, b* ${b.toFixed(0)}${fitted ? `; the fit is ${fitted.dE00.toFixed(1)} dE00 off; ${strength}` : ""}`;
        return (
          <li key={`${patch.what} ${patch.swatch}`} className="min-w-0 flex-1">
            <button
              type="button"
              disabled={!onToggle}
              aria-pressed={patch.leftOut === true}
              aria-label={`${words}.${onToggle ? (patch.leftOut ? " Left out; take it in" : " Leave it out") : ""}`}
              title={words}
              className={`w-full ${onToggle ? "cursor-pointer" : ""} ${patch.leftOut ? "opacity-45" : ""}`}
              onClick={() => onToggle?.(index)}
            >
              <span aria-hidden className="flex h-9">
                <span className="h-full w-1/2" style={{ background: hex(patch.lab) }} />
                <span className="h-full w-1/2" style={{ background: fitted ? hex(fitted.lab) : hex(patch.lab) }} />
              </span>
              <span className="block truncate text-[0.87rem] leading-tight">{title}</span>
              <span
                className={`block text-[0.87rem] leading-tight ${fitted && fitted.dE00 > 2 * HARDLY_SEEN ? "font-semibold" : ""}`}
              >
                {patch.leftOut
                  ? "out"
                  : fitted
                    ? fitted.dE00.toFixed(1)
                    : patch.what === "bare line" || patch.what === "bare paper"
                      ? "ground"
                      : "…"}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
