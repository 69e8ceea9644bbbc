"use client";

import { Ban, Pin, X } from "lucide-react";
import { useMemo, useState } from "react";
import { DEFAULT_MATCH, pigmentById, recommendedSize, spreadPaints, UNSEEN } from "@/core";
import { MIXABLE } from "@/db/paintbox-document";
import type { StoredRecipe } from "@/db/painting-document";
import { Strip } from "@/ui/strip";
import { useDesk } from "../desk-store";
import { useMatcher } from "../matcher";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { useTargets } from "../targets";
import { useChooser, type FoundSize } from "./chooser";
import { GainChart } from "./gain-chart";

const SIZES = [1, 2, 3, 4, 5, 6, 7, 8];
/** Of more paints than this at hand the most different ones are chosen from: all mixes of three of more take too long. */
const MOST = 40;
/** An error below this is called good, below the second fair (CIEDE2000 beyond what nobody sees). From memory. */
const GOOD = 1.5;
const FAIR = 4;
const STRIP_PX = 84;

const count = (n: number): string => n.toLocaleString("en");
const paintsWord = (n: number): string => (n === 1 ? "1 paint" : `${n} paints`);
const listed = (words: readonly string[]): string => (words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`);

/** Whether a paint lasts: all its pigments are of ASTM classes I and II. */
const lasts = ({ pigments }: KnownPaint): boolean => pigments.every(({ pigmentId }) => pigmentById(pigmentId).lightfastness.class <= 2);

interface Rules {
  readonly lasting: boolean;
  readonly single: boolean;
  readonly must: readonly string[];
  readonly never: readonly string[];
}

/** One palette of the answer: its paints, how it serves the areas, and laying it out. */
function PaletteRow({ palette, paints, areaNames, place, busy, onLayOut, onMust, onNever }: {
  palette: FoundSize["best"][number]; paints: readonly KnownPaint[]; areaNames: readonly string[]; place: number; busy: boolean;
  onLayOut: (paints: readonly KnownPaint[]) => void; onMust: (id: string) => void; onNever: (id: string) => void;
}) {
  const paper = usePaper();
  const laid = useDesk((s) => s.document.palette);
  const own = palette.paints.map((p) => paints[p]);
  const isLaid = own.length === laid.length && own.every(({ id }) => laid.includes(id));
  const poor = palette.served.map(({ error }, i) => ({ name: areaNames[i], error })).filter(({ error }) => error >= FAIR).sort((a, b) => b.error - a.error);
  const uses = (paint: KnownPaint): number => palette.served.filter(({ combination }) => combination.some((p) => paints[p] === paint)).length;
  const good = palette.served.filter(({ error }) => error < GOOD).length;
  return (
    <li className="space-y-1.5 border-t border-(--hairline) py-3">
      <div className="flex items-baseline gap-3">
        <span className="font-semibold">{place === 0 ? "The best" : `No. ${place + 1}`}</span>
        <span>off by {palette.error.toFixed(1)}</span>
        <span className="quiet">{good} of {palette.served.length} areas as wanted</span>
        <button type="button" className={`btn btn-xs ml-auto ${place === 0 && !isLaid ? "btn-primary" : "btn-outline"}`} disabled={isLaid || busy} title="Into the tray, with a recipe for every area" onClick={() => onLayOut(own)}>{isLaid ? "In the tray" : "Lay it out"}</button>
      </div>
      <ul className="flex flex-wrap gap-x-2 gap-y-1.5">
        {own.map((paint) => (
          <li key={paint.id} className="group relative" style={{ width: STRIP_PX }}>
            <Strip mix={[{ paint: paint.model, parts: 1 }]} paper={paper} width={STRIP_PX} height={18} label={paint.name} />
            <p className="name-face truncate text-[0.84rem] leading-tight" title={paint.name}>{paint.name}</p>
            <p className="label-line flex items-center leading-tight">
              {uses(paint) === 0 ? <em>unused</em> : uses(paint) === 1 ? "1 area" : `${uses(paint)} areas`}
              <button type="button" className="ml-auto p-0.5" aria-label={`${paint.name} must be in it`} title="Must be in it" onClick={() => onMust(paint.id)}><Pin size={12} /></button>
              <button type="button" className="p-0.5" aria-label={`Never ${paint.name}`} title="Never this one" onClick={() => onNever(paint.id)}><Ban size={12} /></button>
            </p>
          </li>
        ))}
      </ul>
      {poor.length > 0 && <p className="text-[0.9rem] leading-snug text-warning">Not reached: {listed(poor.slice(0, 4).map(({ name, error }) => `${name} (off by ${error.toFixed(0)})`))}{poor.length > 4 && ` and ${poor.length - 4} more`}.</p>}
    </li>
  );
}

/** What one more paint brings, in words. */
function gainWords(now: FoundSize, next: FoundSize | undefined, paints: readonly KnownPaint[], areaNames: readonly string[]): string {
  if (!next) return "";
  const [from, to] = [now.best[0], next.best[0]];
  const gain = from.error - to.error;
  if (gain < 0.1) return `A ${ordinal(next.size)} paint hardly helps.`;
  const come = to.paints.filter((p) => !from.paints.includes(p)).map((p) => paints[p].name);
  const go = from.paints.filter((p) => !to.paints.includes(p)).map((p) => paints[p].name);
  const most = from.served.map(({ error }, i) => ({ name: areaNames[i], gain: error - to.served[i].error })).filter(({ gain: by }) => by > 1).sort((a, b) => b.gain - a.gain).slice(0, 2);
  const swap = go.length > 0 ? `${listed(come)} for ${listed(go)}` : listed(come);
  return `A ${ordinal(next.size)} paint (${swap}) gains ${gain.toFixed(1)}${most.length > 0 ? `, most for ${listed(most.map(({ name }) => name))}` : ""}.`;
}
const ordinal = (n: number): string => ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth"][n - 1] ?? `${n}th`;

/** The third step: of all these paints, which few? */
export function PaletteStep() {
  const all = usePaints();
  const paper = usePaper();
  const targets = useTargets();
  const areas = useDesk((s) => s.document.areas);
  const goTo = useDesk((s) => s.goTo);
  const layOutPalette = useDesk((s) => s.layOut);
  const matcher = useMatcher();
  const [mixing, setMixing] = useState(false);
  const { choosing, ask, stop } = useChooser();
  const [rules, setRules] = useState<Rules>({ lasting: false, single: false, must: [], never: [] });
  const [size, setSize] = useState<number | null>(null);
  const paints = useMemo(() => {
    const atHand = [...all.values()].filter((paint) => MIXABLE.has(paint.status) && (!rules.lasting || lasts(paint)) && (!rules.single || paint.pigments.length === 1));
    const kept = new Set(spreadPaints(atHand.map(({ model }) => model), MOST, paper));
    return atHand.filter(({ id, model }) => kept.has(model) || rules.must.includes(id));
  }, [all, paper, rules]);
  const [asked, setAsked] = useState<{ paints: readonly KnownPaint[]; areas: readonly string[] }>({ paints: [], areas: [] });

  const start = (): void => {
    setAsked({ paints, areas: areas.map(({ name }) => name) });
    setSize(null);
    const indices = (ids: readonly string[]): number[] => paints.flatMap(({ id }, i) => (ids.includes(id) ? [i] : []));
    ask({
      paperId: paper.id, valueWeight: DEFAULT_MATCH.valueWeight, maxPigments: DEFAULT_MATCH.maxPigments, sizes: SIZES, must: indices(rules.must), never: indices(rules.never),
      paints: paints.map(({ id, pigments, tintingStrength }) => ({ id, pigments: [...pigments], tintingStrength })),
      targets: areas.map((area) => ({ lab: targets.get(area.id) ?? area.lab, weight: area.weight })),
    });
  };
  /** Lays a palette in the tray and mixes every area from it, as one step. */
  const layOut = (own: readonly KnownPaint[]): void => {
    setMixing(true);
    const found = new Map<string, StoredRecipe>();
    const end = (): void => {
      setMixing(false);
      layOutPalette(own.map(({ id }) => id), found);
    };
    matcher.ask(
      { targets: areas.map((area) => ({ id: area.id, lab: targets.get(area.id) ?? area.lab })), paints: own, paperId: paper.id, options: { ...DEFAULT_MATCH, ways: 1 } },
      { found: (id, [best]) => best && found.set(id, { parts: [...best.parts], waterParts: best.waterParts }), finished: end, failed: end },
    );
  };
  const running = choosing.state === "running";
  const recommended = choosing.sizes.length > 0 ? recommendedSize(choosing.sizes) : 0;
  const shown = choosing.sizes.find((choice) => choice.size === (size ?? recommended));
  const nameOf = (id: string): string => all.get(id)?.name ?? "a paint that has left the box";
  const toggle = (which: "must" | "never") => (id: string): void => setRules((now) => {
    const other = which === "must" ? "never" : "must";
    return { ...now, [which]: [...new Set([...now[which], id])], [other]: now[other].filter((one) => one !== id) };
  });
  const drop = (id: string): void => setRules((now) => ({ ...now, must: now.must.filter((one) => one !== id), never: now.never.filter((one) => one !== id) }));

  return (
    <section aria-label="Palette step" className="space-y-4 p-6 pt-4">
      <div>
        <h2 className="name-face text-2xl">Which few?</h2>
        <p className="quiet mt-1 leading-snug">Of {paintsWord(paints.length)} at hand, the few that serve the {areas.length} areas best, each by its weight and by value first. Every palette of a size is weighed or shown to be worse.</p>
      </div>
      <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
        <legend className="sr-only">Rules</legend>
        <label className="flex cursor-pointer items-center gap-1.5" title="Only paints whose pigments are lightfast, ASTM I or II"><input type="checkbox" className="checkbox checkbox-xs" checked={rules.lasting} onChange={() => setRules({ ...rules, lasting: !rules.lasting })} /> lasting paints only</label>
        <label className="flex cursor-pointer items-center gap-1.5" title="No convenience mixes"><input type="checkbox" className="checkbox checkbox-xs" checked={rules.single} onChange={() => setRules({ ...rules, single: !rules.single })} /> one pigment each</label>
      </fieldset>
      {(rules.must.length > 0 || rules.never.length > 0) && (
        <ul aria-label="Must and never" className="flex flex-wrap gap-1.5">
          {[...rules.must.map((id) => ({ id, words: "must have" })), ...rules.never.map((id) => ({ id, words: "never" }))].map(({ id, words }) => (
            <li key={id} className="flex items-center gap-1 rounded-field border border-(--hairline) py-0.5 pr-1 pl-2 text-[0.9rem]">
              <span className="quiet">{words}</span> {nameOf(id)}
              <button type="button" className="p-0.5" aria-label={`No rule for ${nameOf(id)}`} onClick={() => drop(id)}><X size={13} /></button>
            </li>
          ))}
        </ul>
      )}
      <div className="flex items-center gap-3">
        {running ? (
          <>
            <progress className="progress progress-primary flex-1" value={choosing.share} max={1} aria-label="Choosing" />
            <button type="button" className="btn btn-sm" onClick={stop}>Stop</button>
          </>
        ) : (
          <button type="button" className="btn btn-primary btn-sm" disabled={areas.length === 0 || paints.length === 0} onClick={start}>{choosing.sizes.length > 0 ? "Choose again" : "Find the best palettes"}</button>
        )}
      </div>
      {areas.length === 0 && <p>There are no areas yet, so there is nothing to choose for. Find the shapes in the step before, or take colours from the photo.</p>}
      {choosing.words && <p role={choosing.state === "failed" ? "alert" : "status"} className="quiet text-[0.9rem]">{choosing.words}</p>}
      {choosing.sizes.length > 0 && (
        <>
          <GainChart sizes={choosing.sizes} chosen={shown?.size ?? recommended} />
          <div role="radiogroup" aria-label="How many paints" className="flex flex-wrap items-center gap-1.5">
            {choosing.sizes.map((choice) => (
              <button key={choice.size} type="button" role="radio" aria-checked={choice.size === shown?.size} aria-label={paintsWord(choice.size)} className={`btn btn-xs ${choice.size === shown?.size ? "btn-neutral" : "btn-outline"}`} onClick={() => setSize(choice.size)}>{choice.size}</button>
            ))}
            <span className="quiet ml-1 text-[0.9rem]">{choosing.state === "done" && `recommended: ${recommended}`}</span>
          </div>
          {shown && (
            <div>
              <p className="text-[0.92rem] leading-snug">
                The best of all {count(shown.outOf)} palettes of {paintsWord(shown.size)}. {gainWords(shown, choosing.sizes.find((choice) => choice.size === shown.size + 1), asked.paints, asked.areas)}
              </p>
              <p className="quiet text-[0.85rem] leading-snug">Off by: weighted mean dE00, less the {UNSEEN} that nobody sees. Proven for the mixes tried: every one to three paints, in parts and strengths.</p>
              <ol className="mt-1">
                {shown.best.map((palette, place) => <PaletteRow key={palette.paints.join()} palette={palette} paints={asked.paints} areaNames={asked.areas} place={place} busy={mixing} onLayOut={layOut} onMust={toggle("must")} onNever={toggle("never")} />)}
              </ol>
              <button type="button" className="btn btn-outline btn-sm" onClick={() => goTo("mixes")}>On to the mixes</button>
            </div>
          )}
        </>
      )}
    </section>
  );
}
