"use client";

import dynamic from "next/dynamic";
import { useState } from "react";
import { recommendedSize, SIZE_RANGE, UNSEEN } from "@/core/palette";
import { LIMITS } from "@/model/limits";
import { listed } from "@/model/text";
import { RuleChips } from "@/ui/rule-chips";
import { useDesk } from "../desk-store";
import { usePaints } from "../paints";
import { ApproachPanel } from "./approach-panel";
import { useWeighing, useWeighingProgress } from "./weighing";
import { Classics } from "./classics";
import { KindRules } from "./kind-rules";
import { useApplyPalette } from "./apply-palette";
import { MustReach } from "./must-reach";
import { TakenAlong } from "./taken-along";
import { NearCopies, OtherPalettes } from "./other-palettes";
import { PaletteCard, type PaintRule, type PaletteActs } from "./palette-card";
import { areasWord, bestOfWords, gainWords, HAND_WORDS, paintsWord } from "./words";

/** The charts' library is large, and the desk opens without it. */
const GainChart = dynamic(() => import("./gain-chart").then(({ GainChart: chart }) => chart), {
  ssr: false,
  loading: () => <div className="h-40" />,
});

/** Paints that must be in it, that must not, and that one is in the mood for, to be dropped again. */
function Rules({ onDrop }: { onDrop: (id: string) => void }) {
  const rules = useDesk((s) => s.document.rules);
  const all = usePaints();
  const named = (ids: readonly string[], words: string) =>
    ids.map((id) => ({ id, words, name: all.get(id)?.name ?? "a paint that has left the box" }));
  return (
    <RuleChips
      label="Must, never and mood"
      rules={[
        ...named(rules.must, "must have"),
        ...named(rules.never, "never"),
        ...named(rules.mood, "in the mood for"),
      ]}
      onDrop={onDrop}
    />
  );
}

/** A paint that the painter would gladly take today, whether it is shown in any palette or not. */
function InTheMood({ onChoose }: { onChoose: (id: string) => void }) {
  const { paints, choosable } = useWeighing();
  const mood = useDesk((s) => s.document.rules.mood);
  const open = choosable.flatMap((p) => (mood.includes(paints[p]!.id) ? [] : [paints[p]!]));
  if (open.length < 2 || mood.length >= LIMITS.must) return null;
  return (
    <div className="space-y-1">
      <span aria-hidden className="label-line block">
        Today I am in the mood for
      </span>
      <select
        aria-label="In the mood for"
        className="select select-sm w-full"
        value=""
        title="It decides between palettes that are as good as equal"
        onChange={(event) => onChoose(event.target.value)}
      >
        <option value="">nothing in particular …</option>
        {open.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </div>
  );
}

/** How far the weighing is. */
function Progress() {
  const { share, words } = useWeighingProgress();
  return (
    <progress
      className="progress progress-primary flex-1"
      value={share}
      max={1}
      aria-label="Choosing"
      aria-valuetext={words}
    />
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
  const without = (id: string) => ({
    must: rules.must.filter((one) => one !== id),
    never: rules.never.filter((one) => one !== id),
    mood: rules.mood.filter((one) => one !== id),
  });
  // A paint stands under one rule: each is stronger or weaker than the others.
  const rule = (which: PaintRule, id: string): void => {
    const rest = without(id);
    changeRules({ ...rest, [which]: [...rest[which], id] });
  };
  const drop = (id: string): void => changeRules(without(id));
  const acts: PaletteActs = {
    busy,
    onLayOut: (palette) => applyPalette(weighing.idsOf(palette.paints)),
    onRule: rule,
  };
  const impossible = sizes.filter(({ best }) => best.length === 0).map((choice) => choice.size);

  return (
    <div className="space-y-3">
      <div className="flex min-h-7 items-center gap-3 text-[0.9rem]">
        {state === "working" && (
          <>
            <Progress />
            <button type="button" className="btn btn-xs" onClick={weighing.stop}>
              Stop
            </button>
          </>
        )}
        {/* Always there, so that what is found is announced when it comes. */}
        <p role="status" className={state === "working" ? "" : "quiet"}>
          {state === "done" && (
            <>
              {areas.length === 0
                ? "No area is measured yet: a palette is chosen for areas."
                : choosable.length === 0
                  ? paints.length === 0
                    ? "No paint is at hand: the paintbox is where they come from."
                    : "The approach leaves no paint to choose from."
                  : `Found in ${weighing.words}`}
              {shown?.best[0] && (
                <span className="sr-only">: {listed(shown.best[0].paints.map((p) => paints[p]!.name))}</span>
              )}
            </>
          )}
          {state === "stopped" && weighing.words}
        </p>
        {state === "stopped" && (
          <button type="button" className="btn btn-xs" onClick={weighing.again}>
            Go on
          </button>
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
        <div className={state === "working" ? "space-y-3 opacity-60" : "space-y-3"}>
          {shown && shown.best.length > 0 && (
            <section aria-label="The answer" className="space-y-1.5">
              <PaletteCard
                {...acts}
                answer
                palette={shown.best[0]!}
                heading={
                  <h3 className="name-face text-xl leading-tight">
                    {shown.size === recommended ? "These" : "Of"} {paintsWord(shown.size)}
                    {shown.size !== recommended && ", these"}
                  </h3>
                }
              />
            </section>
          )}
          <div>
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
          </div>
          {shown && shown.best.length > 0 && (
            <>
              <OtherPalettes best={shown.best[0]!} {...acts} />
              <NearCopies palettes={shown.best.slice(1)} {...acts} />
              <p className="text-[0.9rem] leading-snug">
                {bestOfWords(shown, choosable.length)}{" "}
                {gainWords(
                  shown,
                  sizes.find((choice) => choice.size === shown.size + 1),
                  paints,
                  areaNames,
                )}
              </p>
            </>
          )}
          <GainChart sizes={sizes.filter(({ best }) => best.length > 0)} chosen={shown?.size ?? recommended} />
          <p className="quiet text-[0.87rem] leading-snug">
            Off by: what the mixes come out off by in {HAND_WORDS[hand]}, weighted mean dE00, less the {UNSEEN} that
            nobody sees. {sizes.every(({ proven }) => proven) ? "Proven for the mixes tried" : "The mixes tried"}: every
            one to three paints, in parts and strengths. Simpler mixes, paints that you have measured, favourites, and
            tubes that want using stand before others that are hardly nearer; dear ones are spared in large washes.
          </p>
        </div>
      )}
      <section aria-label="What it is chosen by" className="space-y-3 border-t border-(--hairline) pt-3">
        <p className="quiet leading-snug">
          Of {paintsWord(choosable.length)}, the few that serve the {areasWord(areas.length)} best, each by its weight
          and by value first. Every palette of a size is weighed or shown to be worse.
        </p>
        <TakenAlong />
        <ApproachPanel />
        <InTheMood onChoose={(id) => rule("mood", id)} />
        <Rules onDrop={drop} />
        <KindRules />
        <MustReach />
      </section>
      <Classics busy={busy} onLayOut={applyPalette} />
    </div>
  );
}
