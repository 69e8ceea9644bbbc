"use client";

import { Ban, Heart, Pin } from "lucide-react";
import type { ServedPalette } from "@/core/palette";
import { Strip } from "@/ui/strip";
import { listed } from "@/model/text";
import { useDesk } from "../desk-store";
import { usePaper, type KnownPaint } from "../paints";
import { useWeighing } from "./weighing";
import { FAIR, HAND_WORDS } from "./words";

/** Width of a paint's strip in the answer and in the lists below it, px. */
const STRIP_PX = { answer: 118, row: 84 } as const;

const RULES = [
  { which: "mood", icon: Heart, label: (name: string) => `In the mood for ${name}`, title: "I am in the mood for it" },
  { which: "must", icon: Pin, label: (name: string) => `${name} must be in it`, title: "Must be in it" },
  { which: "never", icon: Ban, label: (name: string) => `Never ${name}`, title: "Never this one" },
] as const;

export type PaintRule = (typeof RULES)[number]["which"];

/** What can be done with a palette that is shown. */
export interface PaletteActs {
  readonly busy: boolean;
  readonly onLayOut: (palette: ServedPalette) => void;
  readonly onRule: (which: PaintRule, id: string) => void;
}

/** The paints of a palette as strips, what each serves, and rules on it. */
function Paints({ palette, wide, onRule }: Pick<PaletteActs, "onRule"> & { palette: ServedPalette; wide: boolean }) {
  const { paints } = useWeighing();
  const paper = usePaper();
  const width = wide ? STRIP_PX.answer : STRIP_PX.row;
  const things = useThings(palette);
  const uses = (paint: KnownPaint): number =>
    palette.served.filter(({ combination }) => combination.some((p) => paints[p] === paint)).length;
  return (
    <ul className="flex flex-wrap gap-x-2 gap-y-1.5">
      {palette.paints.map((p) => {
        const paint = paints[p]!;
        const served = uses(paint);
        return (
          <li key={paint.id} style={{ width }}>
            <Strip
              mix={[{ paint: paint.model, parts: 1 }]}
              paper={paper}
              width={width}
              height={wide ? 30 : 18}
              label={paint.name}
            />
            <p
              className={`name-face truncate leading-tight ${wide ? "text-[1rem]" : "text-[0.87rem]"}`}
              title={paint.name}
            >
              {paint.name}
            </p>
            {/* Three buttons and words have no room beside each other under a narrow strip. */}
            <p className={`label-line leading-tight ${wide ? "flex items-center" : "flex flex-wrap gap-y-1"}`}>
              <span
                className={`whitespace-nowrap ${wide ? "mr-auto" : "w-full"}`}
                title={`${served} of the ${things} use it`}
              >
                {served === 0 ? <em>unused</em> : `for ${served}`}
              </span>
              {RULES.map(({ which, icon: Icon, label, title }) => (
                <button
                  key={which}
                  type="button"
                  className={`-my-1.5 grid place-items-center ${wide ? "w-6" : "flex-1"}`}
                  aria-label={label(paint.name)}
                  title={title}
                  onClick={() => onRule(which, paint.id)}
                >
                  <Icon size={14} />
                </button>
              ))}
            </p>
          </li>
        );
      })}
    </ul>
  );
}

/** As long as every wash is flat, colours and areas are the same. */
function useThings(palette: ServedPalette): string {
  return useDesk((s) => s.document.areas.length) === palette.served.length ? "areas" : "colours";
}

/** What a palette comes to, in a line. */
function PaletteFigures({ palette }: { palette: ServedPalette }) {
  const hand = useDesk((s) => s.document.approach.hand);
  const mixed =
    palette.served.reduce((sum, { combination }) => sum + combination.length, 0) / Math.max(1, palette.served.length);
  const good = palette.served.filter(({ ideal }) => ideal < FAIR).length;
  return (
    <p className="leading-snug">
      <span
        title={`Off by ${palette.ideal.toFixed(1)} if every part and all water were exact; off by ${palette.expected.toFixed(1)} with what is not known of the paints. Weighted means, dE00 beyond what nobody sees.`}
      >
        off by {palette.error.toFixed(1)}
      </span>
      <span className="quiet">
        {" "}
        in {HAND_WORDS[hand]}; {good} of {palette.served.length} in reach, {mixed.toFixed(1)} paints a mix
      </span>
    </p>
  );
}

/** A palette with its heading, figures and paints, and laying it out; the answer larger than the others. */
export function PaletteCard({
  palette,
  heading,
  answer = false,
  busy,
  onLayOut,
  onRule,
}: PaletteActs & { palette: ServedPalette; heading: React.ReactNode; answer?: boolean }) {
  const { paints, areaNames } = useWeighing();
  const laid = useDesk((s) => s.document.palette);
  const isLaid = palette.paints.length === laid.length && palette.paints.every((p) => laid.includes(paints[p]!.id));
  const poor = palette.served
    .map(({ ideal }, i) => ({ name: areaNames[i], error: ideal }))
    .filter(({ error }) => error >= FAIR)
    .sort((a, b) => b.error - a.error);
  return (
    <>
      <div className="flex items-baseline gap-3">
        <div className="min-w-0 flex-1">{heading}</div>
        <button
          type="button"
          className={`btn ${answer ? "btn-sm" : "btn-xs"} ${answer && !isLaid ? "btn-primary" : "btn-outline"}`}
          disabled={isLaid || busy}
          title="Into the tray, with a recipe for every area"
          onClick={() => onLayOut(palette)}
        >
          {isLaid ? "In the tray" : "Lay it out"}
        </button>
      </div>
      <PaletteFigures palette={palette} />
      <Paints palette={palette} wide={answer && palette.paints.length <= 3} onRule={onRule} />
      {poor.length > 0 && (
        <p className="text-[0.9rem] leading-snug text-warning">
          Not reached: {listed(poor.slice(0, 4).map(({ name, error }) => `${name} (off by ${error.toFixed(0)})`))}
          {poor.length > 4 && ` and ${poor.length - 4} more`}.
        </p>
      )}
    </>
  );
}
