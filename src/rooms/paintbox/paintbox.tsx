"use client";

import { unpacked } from "@/ui/unpacked";
import { Star } from "lucide-react";
import { useDeferredValue, useMemo, useState } from "react";
import { useShallow } from "zustand/react/shallow";
import { lchOfLab } from "@/core/colour";
import { findTwins, looksOf, type PaintModel, type TwinTrait } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { hueOrder, pigmentById } from "@/core/pigments";
import type { Measurement } from "@/model/measurement";
import type { StoredPaintbox } from "@/storage/ports";
import { MIXABLE, paintStatus, type PaintboxDocument, type PaintEntry } from "@/model/paintbox";
import { mergePaintboxes } from "@/model/merge";
import { useAutosave } from "@/ui/saving/autosave";
import { PAINTBOX_URL } from "@/model/addresses";
import { LiveConflict } from "@/ui/saving/live-conflict";
import { useGrowing } from "@/ui/growing";
import { RoomHeader } from "@/ui/room-header";
import { SaveWords } from "@/ui/saving/save-words";
import { Strip } from "@/ui/strip";
import { UndoButtons, useUndoKeys } from "@/ui/undo";
import { AddMany } from "./add-many";
import { AddPaintLine } from "./add-paint-line";
import { createPaintboxStore, PaintboxProvider, usePaintbox, usePaintboxStore } from "./paintbox-store";
import { exportCsv, exportGimpPalette, exportJson } from "./exchange";
import { BoxView } from "./box-view";
import { Gaps } from "./gaps";
import { ImportDialog } from "./import-dialog";
import { Lists } from "./lists";
import { MeasuredProvider, useModelOf } from "./measured";
import { DemoPaints } from "./demo-paints";
import { PaintSheet } from "./paint-sheet";
import { chosenPaints, QUESTIONS } from "./questions";
import { SelectBar } from "./select-bar";

const ORDERS = ["by hue", "by pigment", "by name", "as added"] as const;
type Order = (typeof ORDERS)[number];
const paper = PAPERS[0];

interface Shown {
  readonly paint: PaintEntry;
  readonly model: PaintModel;
  readonly codes: string;
}

const showOf = (paint: PaintEntry, modelOf: (paint: PaintEntry) => PaintModel): Shown => ({
  paint,
  model: modelOf(paint),
  codes: paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" "),
});

function ordered(list: readonly Shown[], order: Order): readonly Shown[] {
  if (order === "as added") return list;
  if (order === "by name") return [...list].sort((a, b) => a.paint.name.localeCompare(b.paint.name));
  if (order === "by pigment") return [...list].sort((a, b) => a.codes.localeCompare(b.codes, "en", { numeric: true }));
  const looks = looksOf(
    list.map(({ model }) => model),
    [0.2],
    paper,
  );
  return list
    .map((shown, i) => ({
      shown,
      pigment: pigmentById(shown.paint.pigments[0]!.pigmentId),
      hueDegrees: lchOfLab(looks[i]![0]!).h,
    }))
    .sort(hueOrder)
    .map(({ shown }) => shown);
}

const TWINS_SHOWN = 20;
/** Of the one of two paints of a colour that has more of it. */
const TRAIT_WORDS: Readonly<Record<TwinTrait, string>> = {
  opacity: "covers more",
  texture: "granulates more",
  staining: "stains more",
  lasting: "lasts longer in light",
};

function Twins({ list }: { list: readonly Shown[] }) {
  const open = usePaintbox((s) => s.open);
  const later = useDeferredValue(list);
  const byModel = new Map(later.map((shown) => [shown.model.id, shown]));
  const twins = useMemo(
    () =>
      findTwins(
        later.filter(({ paint }) => MIXABLE.has(paint.status)).map(({ model }) => model),
        paper,
      ),
    [later],
  );
  if (twins.length === 0) return null;
  return (
    <section aria-label="Twins" className="print:hidden mt-8 max-w-3xl border-t border-(--hairline) pt-4">
      <h2 className="name-face text-2xl">Twins</h2>
      <p className="quiet mb-2">
        So close in masstone, wash and tint that one of the two is enough, unless it says in what they differ.
      </p>
      <ul className="space-y-1">
        {twins.slice(0, TWINS_SHOWN).map(({ first, second, dE00, unlike }) => (
          <li key={`${first} ${second}`} className="flex items-center gap-3">
            {[first, second].map((id) => {
              const { paint, model, codes } = byModel.get(id)!;
              return (
                <button
                  key={id}
                  type="button"
                  className="flex cursor-pointer items-center gap-2 rounded-field p-1 text-left hover:bg-base-300"
                  onClick={() => open(paint.id)}
                >
                  <Strip mix={[{ paint: model, parts: 1 }]} paper={paper} width={110} height={24} label={paint.name} />
                  <span className="name-face w-40 truncate">
                    {paint.name} <span className="label-line">{codes}</span>
                  </span>
                </button>
              );
            })}
            <span className="quiet">
              at most dE00 {dE00.toFixed(1)} apart
              {unlike.length > 0 &&
                `, but ${unlike.map(({ trait, more }) => `${byModel.get(more)!.paint.name} ${TRAIT_WORDS[trait]}`).join(", ")}`}
            </span>
          </li>
        ))}
        {twins.length > TWINS_SHOWN && <li className="quiet">and {twins.length - TWINS_SHOWN} more pairs</li>}
      </ul>
    </section>
  );
}

const titleOf = (): string => "the paintbox";

function Room({ revision, begin }: { revision: number; begin: boolean }) {
  const store = usePaintboxStore();
  const saving = useAutosave<PaintboxDocument>({
    url: PAINTBOX_URL,
    revision,
    store,
    merge: mergePaintboxes,
    title: titleOf,
    photoId: null,
  });
  const refused = usePaintbox((s) => s.refused);
  const { document, openId, open } = usePaintbox(
    useShallow(({ document, openId, open }) => ({ document, openId, open })),
  );
  const [words, setWords] = useState("");
  const [view, setView] = useState<"paints" | "boxes">("paints");
  const [choice, setChoice] = useState("all");
  const [order, setOrder] = useState<Order>("by hue");
  /** Ids of the selected paints, and the last one pressed; null while paints are opened, not selected. */
  const [selected, setSelected] = useState<ReadonlySet<string> | null>(null);
  const [lastPressed, setLastPressed] = useState<string | null>(null);

  useUndoKeys(store.temporal);
  const modelOf = useModelOf();

  // The first of thousands are there at once; those behind them, and where each stands among all, follow.
  const paintsNow = useGrowing(document.paints);
  const all = useMemo(() => paintsNow.map((paint) => showOf(paint, modelOf)), [paintsNow, modelOf]);
  const shown = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const chosen = new Set(chosenPaints(document.paints, choice));
    return ordered(
      all.filter(({ paint, codes }) => {
        const text = `${paint.name} ${paint.maker} ${paint.line} ${codes} ${paint.notes}`.toLowerCase();
        return chosen.has(paint) && wanted.every((word) => text.includes(word));
      }),
      order,
    );
  }, [all, document.paints, words, choice, order]);
  const atHand = useMemo(() => all.filter(({ paint }) => MIXABLE.has(paint.status)).map(({ model }) => model), [all]);
  const opened = selected ? undefined : document.paints.find(({ id }) => id === openId);
  const mine = all.filter(({ paint }) => paint.status !== "put away");
  /** A press on a paint while several are selected; with Shift all from the last one pressed to this. */
  const pick = (id: string, range: boolean): void => {
    const inOrder = shown.map(({ paint }) => paint.id);
    const [last, own] = [inOrder.indexOf(lastPressed ?? id), inOrder.indexOf(id)];
    const [from, to] = [Math.min(last, own), Math.max(last, own)];
    const now = new Set(selected);
    if (range && from >= 0) for (const one of inOrder.slice(from, to + 1)) now.add(one);
    else if (!now.delete(id)) now.add(id);
    setSelected(now);
    setLastPressed(id);
  };

  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)]">
      <RoomHeader room="Paintbox">
        <AddPaintLine />
        <AddMany begin={begin} />
        <span className="flex items-center gap-1">
          <UndoButtons history={store.temporal} />
          <SaveWords state={saving.state} refused={refused} />
        </span>
      </RoomHeader>
      <LiveConflict saving={saving} />
      <div className={`grid min-h-0 ${opened ? "grid-cols-[minmax(0,1fr)_430px]" : ""}`}>
        <main className="min-h-0 overflow-y-auto px-6 py-5">
          <div role="tablist" aria-label="Paints or boxes" className="mb-4 flex gap-5 print:hidden">
            {(["paints", "boxes"] as const).map((name) => (
              <button
                key={name}
                type="button"
                role="tab"
                aria-selected={view === name}
                className={`name-face cursor-pointer border-b-2 text-xl ${view === name ? "border-primary" : "border-transparent quiet"}`}
                onClick={() => setView(name)}
              >
                {name === "paints" ? "Paints" : "Boxes"}
              </button>
            ))}
          </div>
          {view === "boxes" && <BoxView />}
          <div className={view === "boxes" ? "hidden" : ""}>
            <search className="print:hidden mb-5 flex flex-wrap items-center gap-x-4 gap-y-2">
              <input
                type="search"
                className="input input-sm w-48"
                placeholder="Name, maker, pigment"
                aria-label="Search the paintbox"
                value={words}
                onChange={(event) => setWords(event.target.value)}
              />
              <select
                className="select select-sm w-36"
                aria-label="Which paints"
                value={choice}
                onChange={(event) => setChoice(event.target.value)}
              >
                <option value="all">all paints</option>
                <optgroup label="that are">
                  {paintStatus.options.map((option) => (
                    <option key={option}>{option}</option>
                  ))}
                </optgroup>
                <optgroup label="that">
                  {QUESTIONS.map((question) => (
                    <option key={question.words}>{question.words}</option>
                  ))}
                </optgroup>
              </select>
              <select
                className="select select-sm w-32"
                aria-label="Order"
                value={order}
                onChange={(event) => setOrder(event.target.value as Order)}
              >
                {ORDERS.map((option) => (
                  <option key={option}>{option}</option>
                ))}
              </select>
              <span role="status" className="quiet">
                {shown.length} of {choice === "put away" ? all.length : mine.length}
              </span>
              <button
                type="button"
                className={`btn btn-sm ${selected ? "btn-neutral" : "btn-ghost"}`}
                aria-pressed={selected !== null}
                onClick={() => setSelected(selected ? null : new Set())}
              >
                Select several
              </button>
              <span className="ml-auto flex gap-1">
                <ImportDialog />
                <button type="button" className="btn btn-ghost btn-sm" onClick={() => exportCsv(document)}>
                  CSV
                </button>
                <button type="button" className="btn btn-ghost btn-sm" onClick={() => exportJson(document)}>
                  JSON
                </button>
                <button
                  type="button"
                  className="btn btn-ghost btn-sm"
                  title="GIMP palette: a middle wash of each"
                  onClick={() => exportGimpPalette(document, modelOf)}
                >
                  GPL
                </button>
              </span>
            </search>
            <DemoPaints />
            {selected && (
              <SelectBar
                selected={selected}
                shown={shown.map(({ paint }) => paint.id)}
                onSelect={setSelected}
                onEnd={() => setSelected(null)}
              />
            )}
            {mine.length === 0 && choice === "all" && (
              <p className="name-face py-8 text-xl">
                The box is empty. Type what stands on a tube, like PB29 or burnt sienna, and press Enter.
              </p>
            )}
            {(mine.length > 0 || choice !== "all") && shown.length === 0 && (
              <p className="name-face py-8 text-xl">No paint in the box answers to that.</p>
            )}
            <ul
              aria-label="Paints"
              className="print:hidden grid grid-cols-[repeat(auto-fill,minmax(236px,1fr))] gap-x-5 gap-y-5"
            >
              {shown.map(({ paint, model, codes }) => (
                <li key={paint.id} className="[contain-intrinsic-size:auto_92px] [content-visibility:auto]">
                  <button
                    type="button"
                    aria-pressed={selected ? selected.has(paint.id) : paint.id === openId}
                    className={`w-full cursor-pointer rounded-field p-1 text-left hover:bg-base-300/60 ${(selected ? selected.has(paint.id) : paint.id === openId) ? "bg-base-300 outline-2 -outline-offset-2 outline-primary" : ""}`}
                    onClick={(event) => (selected ? pick(paint.id, event.shiftKey) : open(paint.id))}
                  >
                    <Strip
                      mix={[{ paint: model, parts: 1 }]}
                      paper={paper}
                      width={226}
                      height={46}
                      label={`${paint.name} from masstone to tint`}
                      className={paint.status === "owned" || paint.status === "low" ? "" : "opacity-60"}
                    />
                    <span className="name-face flex items-center gap-1.5 text-[1.1rem] leading-tight">
                      <span className="truncate">{paint.name}</span>
                      {paint.favourite && <Star size={13} fill="currentColor" aria-label="favourite" />}
                    </span>
                    <span className="label-line block truncate">
                      {codes} · {[paint.maker, paint.line].filter(Boolean).join(" ") || "no maker given"}
                      {paint.status !== "owned" && ` · ${paint.status}`}
                      {model.measured && " · measured"}
                      {paint.demo && " · demo"}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
            <Twins list={all} />
            <Gaps models={atHand} />
            <Lists paints={document.paints} />
          </div>
        </main>
        {opened && (
          <aside
            aria-label="One paint"
            className="print:hidden min-h-0 overflow-y-auto border-l border-(--hairline) bg-base-100"
          >
            <PaintSheet key={opened.id} paint={opened} />
          </aside>
        )}
      </div>
    </div>
  );
}

/** The paintbox: every paint as its strip; one opens as a sheet; adding one takes a code and Enter. */
function Paintbox({
  stored,
  measurements,
  begin,
}: {
  stored: StoredPaintbox;
  measurements: readonly Measurement[];
  /** Whether the painter comes to begin with their own paints. */
  begin: boolean;
}) {
  const [store] = useState(() => createPaintboxStore(stored.document));
  return (
    <PaintboxProvider value={store}>
      <MeasuredProvider stored={measurements}>
        <Room revision={stored.revision} begin={begin} />
      </MeasuredProvider>
    </PaintboxProvider>
  );
}

/** The same, laid out with packed properties. */
export const PackedPaintbox = unpacked(Paintbox);
