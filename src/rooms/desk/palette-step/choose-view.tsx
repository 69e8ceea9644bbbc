"use client";

import { Ban, Pin, X } from "lucide-react";
import { useState } from "react";
import { recommendedSize, SIZE_RANGE, UNSEEN } from "@/core/palette";
import { Strip } from "@/ui/strip";
import type { FoundSize } from "@/core/palette";
import { useDesk } from "../desk-store";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { ApproachPanel } from "./approach-panel";
import { useWeighing } from "./weighing";
import { Classics } from "./classics";
import { GainChart } from "./gain-chart";
import { KindRules } from "./kind-rules";
import { useApplyPalette } from "./apply-palette";
import { MustReach } from "./must-reach";
import { areasWord, FAIR, gainWords, GOOD, HAND_WORDS, listed, paintsWord } from "./words";

const STRIP_PX = 84;

/** One palette of the answer: its paints, how it serves the areas, and laying it out. */
function PaletteRow({
  palette,
  place,
  busy,
  onLayOut,
  onRule,
}: {
  palette: FoundSize["best"][number];
  place: number;
  busy: boolean;
  onLayOut: () => void;
  onRule: (which: "must" | "never", id: string) => void;
}) {
  const { paints, areaNames } = useWeighing();
  const paper = usePaper();
  const laid = useDesk((s) => s.document.palette);
  const own = palette.paints.map((p) => paints[p]);
  const isLaid = own.length === laid.length && own.every(({ id }) => laid.includes(id));
  const poor = palette.served
    .map(({ ideal }, i) => ({ name: areaNames[i], error: ideal }))
    .filter(({ error }) => error >= FAIR)
    .sort((a, b) => b.error - a.error);
  const uses = (paint: KnownPaint): number =>
    palette.served.filter(({ combination }) => combination.some((p) => paints[p] === paint)).length;
  // As long as every wash is flat, colours and areas are the same.
  const things = useDesk((s) => s.document.areas.length) === palette.served.length ? "areas" : "colours";
  const mixed =
    palette.served.reduce((sum, { combination }) => sum + combination.length, 0) / Math.max(1, palette.served.length);
  const good = palette.served.filter(({ ideal }) => ideal < GOOD).length;
  return (
    <li className="space-y-1.5 border-t border-(--hairline) py-3">
      <div className="flex items-baseline gap-3">
        <span className="font-semibold">{place === 0 ? "The best" : `No. ${place + 1}`}</span>
        <span title={`Off by ${palette.ideal.toFixed(1)} if every part and all water were exact.`}>
          off by {palette.error.toFixed(1)}
        </span>
        <button
          type="button"
          className={`btn btn-xs ml-auto ${place === 0 && !isLaid ? "btn-primary" : "btn-outline"}`}
          disabled={isLaid || busy}
          title="Into the tray, with a recipe for every area"
          onClick={onLayOut}
        >
          {isLaid ? "In the tray" : "Lay it out"}
        </button>
      </div>
      <p className="quiet leading-snug">
        {good} of {palette.served.length} {things} in reach, {mixed.toFixed(1)} paints a mix
      </p>
      <ul className="flex flex-wrap gap-x-2 gap-y-1.5">
        {own.map((paint) => (
          <li key={paint.id} style={{ width: STRIP_PX }}>
            <Strip
              mix={[{ paint: paint.model, parts: 1 }]}
              paper={paper}
              width={STRIP_PX}
              height={18}
              label={paint.name}
            />
            <p className="name-face truncate text-[0.87rem] leading-tight" title={paint.name}>
              {paint.name}
            </p>
            <p className="label-line flex items-center leading-tight">
              <span className="whitespace-nowrap" title={`${uses(paint)} of the ${things} use it`}>
                {uses(paint) === 0 ? <em>unused</em> : `for ${uses(paint)}`}
              </span>
              <button
                type="button"
                className="-my-1.5 ml-auto grid w-6 place-items-center"
                aria-label={`${paint.name} must be in it`}
                title="Must be in it"
                onClick={() => onRule("must", paint.id)}
              >
                <Pin size={14} />
              </button>
              <button
                type="button"
                className="-my-1.5 grid w-6 place-items-center"
                aria-label={`Never ${paint.name}`}
                title="Never this one"
                onClick={() => onRule("never", paint.id)}
              >
                <Ban size={14} />
              </button>
            </p>
          </li>
        ))}
      </ul>
      {poor.length > 0 && (
        <p className="text-[0.9rem] leading-snug text-warning">
          Not reached: {listed(poor.slice(0, 4).map(({ name, error }) => `${name} (off by ${error.toFixed(0)})`))}
          {poor.length > 4 && ` and ${poor.length - 4} more`}.
        </p>
      )}
    </li>
  );
}

/** Paints that must be in it and paints that must not, to be dropped again. */
function Rules({ onDrop }: { onDrop: (id: string) => void }) {
  const rules = useDesk((s) => s.document.rules);
  const all = usePaints();
  if (rules.must.length + rules.never.length === 0) return null;
  const nameOf = (id: string): string => all.get(id)?.name ?? "a paint that has left the box";
  return (
    <ul aria-label="Must and never" className="flex flex-wrap gap-1.5">
      {[
        ...rules.must.map((id) => ({ id, words: "must have" })),
        ...rules.never.map((id) => ({ id, words: "never" })),
      ].map(({ id, words }) => (
        <li
          key={id}
          className="flex items-center gap-1 rounded-field border border-(--hairline) py-0.5 pr-1 pl-2 text-[0.9rem]"
        >
          <span className="quiet">{words}</span> {nameOf(id)}
          <button
            type="button"
            className="grid size-8 place-items-center"
            aria-label={`No rule for ${nameOf(id)}`}
            onClick={() => onDrop(id)}
          >
            <X size={13} />
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Of all these paints, which few: the best of each size, what one more buys, and classic beginnings. */
export function ChooseView() {
  const hand = useDesk((s) => s.document.approach.hand);
  const weighing = useWeighing();
  const areas = useDesk((s) => s.document.areas);
  const rules = useDesk((s) => s.document.rules);
  const approach = useDesk((s) => s.document.approach);
  const changeRules = useDesk((s) => s.changeRules);
  const { busy, applyPalette, fault } = useApplyPalette();
  const [size, setSize] = useState<number | null>(null);
  const { sizes, state, paints, choosable, areaNames } = weighing;
  const range = SIZE_RANGE[approach.size];
  const recommended = recommendedSize(sizes, range.from, range.to);
  const enough = recommendedSize(sizes);
  const shown =
    sizes.find((choice) => choice.size === (size ?? recommended)) ??
    sizes.find((choice) => choice.size === recommended);
  const rule = (which: "must" | "never", id: string): void => {
    const other = which === "must" ? "never" : "must";
    changeRules({ [which]: [...new Set([...rules[which], id])], [other]: rules[other].filter((one) => one !== id) });
  };
  const drop = (id: string): void =>
    changeRules({ must: rules.must.filter((one) => one !== id), never: rules.never.filter((one) => one !== id) });
  const impossible = sizes.filter(({ best }) => best.length === 0).map((choice) => choice.size);

  return (
    <div className="space-y-3">
      <div className="flex min-h-7 items-center gap-3 text-[0.9rem]">
        {state === "working" && (
          <>
            <progress
              className="progress progress-primary flex-1"
              value={weighing.share}
              max={1}
              aria-label="Choosing"
            />
            <button type="button" className="btn btn-xs" onClick={weighing.stop}>
              Stop
            </button>
          </>
        )}
        {state === "done" && (
          <p role="status" className="quiet">
            {areas.length === 0
              ? "No area is measured yet: a palette is chosen for areas."
              : choosable.length === 0
                ? "The approach leaves no paint to choose from."
                : `Found in ${weighing.words}`}
          </p>
        )}
        {state === "stopped" && (
          <>
            <p role="status" className="quiet">
              {weighing.words}
            </p>
            <button type="button" className="btn btn-xs" onClick={weighing.again}>
              Go on
            </button>
          </>
        )}
        {state === "failed" && (
          <>
            <p role="alert" className="text-error">
              {weighing.words}
            </p>
            <button type="button" className="btn btn-xs" onClick={weighing.again}>
              Try again
            </button>
          </>
        )}
      </div>
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      {sizes.length > 0 && (
        <div className={state === "working" ? "opacity-60" : ""}>
          <div role="radiogroup" aria-label="How many paints" className="flex flex-wrap items-center gap-1">
            {sizes.map((choice) => (
              <button
                key={choice.size}
                type="button"
                role="radio"
                aria-checked={choice.size === shown?.size}
                aria-label={paintsWord(choice.size)}
                className={`btn btn-xs w-7 px-0 ${choice.size === shown?.size ? "btn-neutral" : "btn-outline"}`}
                onClick={() => setSize(choice.size)}
              >
                {choice.size}
              </button>
            ))}
          </div>
          {recommended > 0 && (
            <p className="mt-1.5 text-[0.9rem] leading-snug">
              <button
                type="button"
                className="cursor-pointer underline underline-offset-2"
                onClick={() => setSize(null)}
              >
                {paintsWord(recommended)}
              </button>{" "}
              {recommended === 1 ? "is" : "are"} recommended:{" "}
              {enough < recommended
                ? `${paintsWord(enough)} would do, but the approach asks for ${range.from} or more`
                : enough > recommended
                  ? `more would help, but the approach stops at ${range.to}`
                  : "after that one more hardly helps"}
              .
            </p>
          )}
          {impossible.length > 0 && (
            <p className="mt-1.5 text-[0.9rem] leading-snug text-warning">
              No palette of {listed(impossible.map(String))} does what must be reached.
            </p>
          )}
          {shown && shown.best.length > 0 && (
            <div className="mt-3">
              <p className="text-[0.92rem] leading-snug">
                The best of all {shown.outOf.toLocaleString("en")} palettes of {paintsWord(shown.size)}.{" "}
                {gainWords(
                  shown,
                  sizes.find((choice) => choice.size === shown.size + 1),
                  paints,
                  areaNames,
                )}
              </p>
              <ol className="mt-1">
                {shown.best.map((palette, place) => (
                  <PaletteRow
                    key={palette.paints.join()}
                    palette={palette}
                    place={place}
                    busy={busy}
                    onLayOut={() => applyPalette(weighing.idsOf(palette.paints))}
                    onRule={rule}
                  />
                ))}
              </ol>
              <p className="quiet mt-1 text-[0.87rem] leading-snug">
                Off by: what the mixes come out off by in {HAND_WORDS[hand]}, weighted mean dE00, less the {UNSEEN} that
                nobody sees. Proven for the mixes tried: every one to three paints, in parts and strengths. Simpler
                mixes stand before others that are hardly nearer.
              </p>
            </div>
          )}
          <GainChart sizes={sizes.filter(({ best }) => best.length > 0)} chosen={shown?.size ?? recommended} />
        </div>
      )}
      <section aria-label="What it is chosen by" className="space-y-3 border-t border-(--hairline) pt-3">
        <p className="quiet leading-snug">
          Of {paintsWord(choosable.length)}, the few that serve the {areasWord(areas.length)} best, each by its weight
          and by value first. Every palette of a size is weighed or shown to be worse.
        </p>
        <ApproachPanel />
        <Rules onDrop={drop} />
        <KindRules />
        <MustReach />
      </section>
      <Classics busy={busy} onLayOut={applyPalette} />
    </div>
  );
}
