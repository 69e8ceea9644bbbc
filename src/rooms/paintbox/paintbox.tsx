"use client";

import { unpacked } from "@/ui/unpacked";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useShallow } from "zustand/react/shallow";
import { lchOfLab } from "@/core/colour";
import { looksOf, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { hueOrder, pigmentById } from "@/core/pigments";
import type { Measurement } from "@/model/measurement";
import type { StoredPaintbox } from "@/storage/ports";
import { changedPaints, isMixable, paintStatus, type PaintboxDocument, type PaintEntry } from "@/model/paintbox";
import { mergePaintboxes } from "@/model/merge";
import { useAutosave } from "@/ui/saving/autosave";
import { PAINTBOX_URL } from "@/model/addresses";
import { LiveConflict } from "@/ui/saving/live-conflict";
import { useGrowing } from "@/ui/growing";
import { WindowedGrid } from "@/ui/windowed-grid";
import { SideSheet } from "@/ui/side-sheet";
import { RoomHeader } from "@/ui/room-header";
import { SaveWords } from "@/ui/saving/save-words";
import { useKeptSteps } from "@/ui/kept-steps";
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
import { PaintRow, type Shown } from "./paint-row";
import { PaintSheet } from "./paint-sheet";
import { chosenPaints, QUESTIONS } from "./questions";
import { SelectBar } from "./select-bar";
import { Twins } from "./twins";

const ORDERS = ["by hue", "by pigment", "by name", "as added"] as const;
type Order = (typeof ORDERS)[number];
const paper = PAPERS[0];

const showOf = (paint: PaintEntry, modelOf: (paint: PaintEntry) => PaintModel): Shown => ({
  paint,
  model: modelOf(paint),
  codes: paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" "),
});

/** What a paint is found by. */
const textOf = ({ paint, codes }: Shown): string =>
  `${paint.name} ${paint.maker} ${paint.line} ${codes} ${paint.notes}`.toLowerCase();

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

const titleOf = (): string => "the paintbox";
/** A letter in a note of one of two thousand paints sends that paint. */
function changedPart(stored: PaintboxDocument, document: PaintboxDocument): object | null {
  const paints = changedPaints(stored, document);
  return paints && { paints };
}

function Room({ revision, begin }: { revision: number; begin: boolean }) {
  const store = usePaintboxStore();
  const saving = useAutosave<PaintboxDocument>({
    url: PAINTBOX_URL,
    revision,
    store,
    merge: mergePaintboxes,
    part: changedPart,
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
  // Laid in order once, not for each letter that is searched for.
  const inOrder = useMemo(
    () => ordered(all, order).map((one): readonly [Shown, text: string] => [one, textOf(one)]),
    [all, order],
  );
  const shown = useMemo(() => {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const chosen = new Set(chosenPaints(document.paints, choice));
    return inOrder.flatMap(([one, text]) =>
      chosen.has(one.paint) && wanted.every((word) => text.includes(word)) ? [one] : [],
    );
  }, [inOrder, document.paints, words, choice]);
  const atHand = useMemo(
    () => all.filter(({ paint, model }) => isMixable({ ...paint, measured: model.measured })).map(({ model }) => model),
    [all],
  );
  const opened = selected ? undefined : document.paints.find(({ id }) => id === openId);
  const mine = all.filter(({ paint }) => paint.status !== "put away");
  const latest = useRef({ selected, lastPressed, shown });
  useEffect(() => {
    latest.current = { selected, lastPressed, shown };
  }, [selected, lastPressed, shown]);
  /**
   * A press on a paint opens it; while several are selected it selects it, with Shift all from the last one pressed to
   * this. The same for every row, so that none is drawn anew for it.
   */
  const onPress = useCallback(
    (id: string, range: boolean): void => {
      const { selected: before, lastPressed: lastId, shown: rows } = latest.current;
      if (!before) return open(id);
      const ids = rows.map(({ paint }) => paint.id);
      const [last, own] = [ids.indexOf(lastId ?? id), ids.indexOf(id)];
      const [from, to] = [Math.min(last, own), Math.max(last, own)];
      const now = new Set(before);
      if (range && from >= 0) for (const one of ids.slice(from, to + 1)) now.add(one);
      else if (!now.delete(id)) now.add(id);
      setSelected(now);
      setLastPressed(id);
    },
    [open],
  );

  return (
    <div className="room-frame">
      <RoomHeader room="Paintbox">
        <AddPaintLine />
        <AddMany begin={begin} />
        <span className="flex items-center gap-1">
          <UndoButtons history={store.temporal} />
          <SaveWords state={saving.state} refused={refused} />
        </span>
      </RoomHeader>
      <LiveConflict saving={saving} />
      <div className={`room-sides ${opened ? "grid-cols-[minmax(0,1fr)_430px]" : ""}`}>
        <main className={`room-side px-6 py-5 small:px-4 ${opened ? "small:hidden" : ""}`}>
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
            <WindowedGrid
              label="Paints"
              items={shown}
              keyOf={({ paint }) => paint.id}
              leastPx={236}
              gapPx={[20, 20]}
              rowPx={104}
              className="print:hidden"
            >
              {(one) => (
                <PaintRow
                  {...one}
                  pressed={selected ? selected.has(one.paint.id) : one.paint.id === openId}
                  onPress={onPress}
                />
              )}
            </WindowedGrid>
            <Twins list={all} />
            <Gaps models={atHand} />
            <Lists paints={document.paints} />
          </div>
        </main>
        {opened && (
          <SideSheet label="One paint" of={opened.id} onClose={() => open(null)}>
            <PaintSheet key={opened.id} paint={opened} />
          </SideSheet>
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
  const store = useKeptSteps(PAINTBOX_URL, () => createPaintboxStore(stored.document));
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
