"use client";

import { unpacked } from "@/ui/unpacked";
import isEqual from "fast-deep-equal";
import { Plus, Undo2 } from "lucide-react";
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from "react";
import { PAPERS } from "@/core/optics";
import type { EyeAnswer } from "@/core/training";
import { LOGBOOK_URL, logEntryUrl } from "@/model/addresses";
import { localDay } from "@/model/day";
import {
  LOG_KINDS,
  newLogEntry,
  newLoggedMix,
  loggedPaintOf,
  type LearnedBook,
  type LogEntry,
  type LogKind,
  type StoredLogEntry,
} from "@/model/logbook";
import { mergeLogEntries } from "@/model/merge";
import type { ToPaintNext } from "@/model/next-swatches";
import type { PaintingTitle, StockedPaint } from "@/storage/ports";
import { answerOf, askFor, jsonOf } from "@/ui/ask";
import { SideSheet } from "@/ui/side-sheet";
import { WindowedGrid } from "@/ui/windowed-grid";
import { RoomHeader } from "@/ui/room-header";
import { sentByOthers } from "@/ui/saving/autosave-queues";
import { useAutosave } from "@/ui/saving/autosave";
import { LiveConflict } from "@/ui/saving/live-conflict";
import { SaveWords } from "@/ui/saving/save-words";
import { UndoButtons, useUndoKeys } from "@/ui/undo";
import { BookProvider, colourIn } from "./book";
import { BoardView } from "./board-view";
import { FileBar } from "./file-bar";
import { EyeView } from "./eye-view";
import { EntryCard } from "./entry-card";
import { EntrySheet } from "./entry-sheet";
import { createEntryStore, EntryProvider, type EntryStore } from "./entry-store";
import { Filters } from "./filters";
import { NextView } from "./next-view";
import { found, NO_QUERY, type Query } from "./search";
import { SideBySide } from "./side-by-side";
import { Taught } from "./taught";
import { dayWords, KIND_WORDS } from "./words";

const VIEWS = [
  ["pages", "Pages"],
  ["board", "Board"],
  ["taught", "What it has taught"],
  ["next", "Paint next"],
  ["eye", "The eye"],
] as const;
type View = (typeof VIEWS)[number][0];

const titleOf = ({ title, kind }: LogEntry): string => title || KIND_WORDS[kind];

interface OpenEntryProps {
  readonly entry: StoredLogEntry;
  readonly store: EntryStore;
  readonly onClose: () => void;
  readonly onBin: () => void;
  /** The entry is stored as it now is. */
  readonly onStored: () => void;
}

/** The open entry: saved as it is changed. */
function OpenEntry({ entry, store, onClose, onBin, onStored }: OpenEntryProps) {
  const saving = useAutosave<LogEntry>({
    url: logEntryUrl(entry.id),
    revision: entry.revision,
    store,
    merge: mergeLogEntries,
    title: titleOf,
    photoId: null,
  });
  useUndoKeys(store.temporal);
  const [refused, setRefused] = useState<string | null>(null);
  useEffect(() => store.subscribe((state) => setRefused(state.refused)), [store]);
  const saved = saving.state.state === "saved";
  useEffect(() => {
    if (saved) onStored();
  }, [saved, onStored]);
  return (
    <EntryProvider value={store}>
      <div className="sticky top-0 z-10 flex items-center gap-1 border-b border-(--hairline) bg-base-100 px-4 py-1">
        <UndoButtons history={store.temporal} />
        <span className="ml-auto">
          <SaveWords state={saving.state} refused={refused} />
        </span>
      </div>
      <LiveConflict saving={saving} />
      <EntrySheet onClose={onClose} onBin={onBin} />
    </EntryProvider>
  );
}

/** What was put in the bin. */
function Bin({ binned, onTakeOut }: { binned: readonly StoredLogEntry[]; onTakeOut: (id: string) => void }) {
  if (binned.length === 0) return null;
  return (
    <section aria-label="Bin" className="mt-10 max-w-3xl border-t border-(--hairline) pt-4">
      <h2 className="name-face text-2xl">In the bin</h2>
      <ul>
        {binned.map(({ id, document }) => (
          <li key={id} className="flex items-center gap-3 border-b border-(--hairline) py-1.5">
            <span className="min-w-0 flex-1 truncate">
              <span className="name-face">{titleOf(document)}</span>{" "}
              <span className="quiet">
                {dayWords(document.on)} {document.on.slice(0, 4)}
              </span>
            </span>
            <button type="button" className="btn btn-outline btn-sm" onClick={() => onTakeOut(id)}>
              <Undo2 size={14} aria-hidden /> Take out
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The logbook: its pages, what they have taught, what to paint next. */
function Logbook({
  stored,
  paints: stocked,
  titles,
  learned: known,
  following,
  eye,
  start,
  next,
}: {
  stored: readonly StoredLogEntry[];
  paints: readonly StockedPaint[];
  titles: readonly PaintingTitle[];
  learned: LearnedBook | null;
  /** What was written last is still being learned. */
  following: boolean;
  /** Answers that trained the eye. */
  eye: readonly EyeAnswer[];
  /** The entry that is asked for by the address. */
  start: string | null;
  /** Opened at what to paint next. */
  next: boolean;
}) {
  const [entries, setEntries] = useState(stored);
  const [{ learned, before }, setLessons] = useState({ learned: known, before: known });
  const [view, setView] = useState<View>(next ? "next" : "pages");
  const [query, setQuery] = useState<Query>(NO_QUERY);
  const [fault, setFault] = useState<string | null>(null);
  const [compared, setCompared] = useState<readonly string[]>([]);
  const [opened, setOpened] = useState<{ readonly entry: StoredLogEntry; readonly store: EntryStore } | null>(() => {
    const entry = stored.find(({ id }) => id === start);
    return entry ? { entry, store: createEntryStore(entry.document) } : null;
  });
  const paints = useMemo(() => new Map(stocked.map((paint) => [paint.id, paint])), [stocked]);
  const book = useMemo(() => ({ paints, titles, learned, before }), [paints, titles, learned, before]);

  // The open entry's page changes with it.
  useEffect(() => {
    if (!opened) return;
    return opened.store.subscribe(({ document }) =>
      setEntries((all) => all.map((one) => (one.id === opened.entry.id ? { ...one, document } : one))),
    );
  }, [opened]);
  const learnAnew = useCallback(async () => {
    const answer = await answerOf(LOGBOOK_URL, { cache: "no-store" });
    if (typeof answer === "string") return;
    const { learned: now } = (await answer.json()) as { learned: LearnedBook | null };
    setLessons((last) => (isEqual(last.learned, now) ? last : { learned: now, before: last.learned }));
  }, []);

  useEffect(() => {
    if (!following) return;
    const soon = setTimeout(() => void learnAnew(), 0);
    return () => clearTimeout(soon);
  }, [following, learnAnew]);

  const readAnew = async (): Promise<void> => {
    const answer = await answerOf(`${LOGBOOK_URL}/entries`, { cache: "no-store" });
    if (typeof answer === "string") return setFault(answer);
    setEntries(((await answer.json()) as { entries: readonly StoredLogEntry[] }).entries);
    void learnAnew();
  };

  const open = (entry: StoredLogEntry): void => setOpened({ entry, store: createEntryStore(entry.document) });
  // What was changed last may still be on its way when its page is closed.
  const close = (): void => {
    setOpened(null);
    setTimeout(() => void sentByOthers().then(learnAnew), 0);
  };
  const openById = async (id: string): Promise<void> => {
    if (opened?.entry.id === id) return;
    if (opened) close();
    // A save of it may still be on its way from when it was closed.
    await new Promise((resolve) => setTimeout(resolve, 0));
    await sentByOthers();
    // What was changed here since it was read has raised its revision: it is asked for anew.
    const answer = await answerOf(logEntryUrl(id), { cache: "no-store" });
    if (typeof answer === "string") return setFault(answer);
    setFault(null);
    open((await answer.json()) as StoredLogEntry);
  };
  const add = async (document: LogEntry): Promise<void> => {
    const id = crypto.randomUUID();
    const wrong = await askFor(LOGBOOK_URL, jsonOf("POST", { id, document }));
    setFault(wrong);
    if (wrong) return;
    const entry: StoredLogEntry = { id, document, revision: 0, binned: false, demo: false };
    setEntries((all) => [entry, ...all]);
    setView("pages");
    setQuery(NO_QUERY);
    open(entry);
  };
  const note = (kind: LogKind): Promise<void> => {
    const last = entries.find(({ binned }) => !binned)?.document.paperId ?? PAPERS[0].id;
    const mixes = kind === "swatch" || kind === "mix" ? [newLoggedMix({ id: crypto.randomUUID() })] : [];
    return add(newLogEntry({ kind, on: localDay(new Date()), paperId: last, mixes }));
  };
  const noteNext = ({ swatches, paperId }: ToPaintNext, painting: LogEntry["painting"]): Promise<void> => {
    const ids = new Set(
      swatches.flatMap(({ parts, over }) => [...parts, ...(over?.parts ?? [])].map((p) => p.paintId)),
    );
    return add(
      newLogEntry({
        kind: "swatch",
        on: localDay(new Date()),
        paperId,
        title: painting ? `Swatches for ${painting.title}` : "Swatches for the box",
        painting,
        paints: [...ids].flatMap((id) => {
          const paint = paints.get(id);
          return paint ? [loggedPaintOf(paint)] : [];
        }),
        mixes: swatches.map(({ parts, waterParts, over }) =>
          newLoggedMix({ id: crypto.randomUUID(), parts, waterParts, over }),
        ),
      }),
    );
  };
  const bin = async (id: string, binned: boolean): Promise<void> => {
    const wrong = await askFor(logEntryUrl(id), jsonOf("PATCH", { binned }));
    setFault(wrong);
    if (wrong) return;
    setEntries((all) => all.map((one) => (one.id === id ? { ...one, binned } : one)));
    if (opened?.entry.id === id) setOpened(null);
    setCompared((ids) => ids.filter((one) => one !== id));
    void learnAnew();
  };

  const here = useMemo(() => entries.filter(({ binned }) => !binned), [entries]);
  const colours = useMemo(
    () =>
      new Map(
        here.map(({ id, document }) => {
          // A page without swatches shows its paints, as a ring does.
          const mixes =
            document.mixes.length > 0
              ? document.mixes
              : document.paints.map((paint) =>
                  newLoggedMix({ id: paint.id, parts: [{ paintId: paint.id, parts: 1 }] }),
                );
          return [id, mixes.map((mix) => colourIn(mix, document, book))];
        }),
      ),
    [here, book],
  );
  const asked = useDeferredValue(query);
  const shown = useMemo(() => found(here, asked, (entry) => colours.get(entry.id) ?? []), [here, asked, colours]);
  const inBook = useMemo(
    () => [
      ...new Map(here.flatMap(({ document }) => document.paints.map((paint) => [paint.id, paint] as const))).values(),
    ],
    [here],
  );
  const pair = compared.flatMap((id) => here.find((entry) => entry.id === id) ?? []);
  return (
    <BookProvider value={book}>
      <div className="room-frame">
        <RoomHeader room="Logbook" />
        <div
          className={`room-sides ${opened ? "grid-cols-[minmax(0,1fr)_460px] max-lg:grid-cols-[minmax(0,1fr)]" : ""}`}
        >
          <main className={`room-side px-6 py-5 small:px-4 ${opened ? "max-lg:hidden small:hidden" : ""}`}>
            <div className="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
              <div role="tablist" aria-label="The logbook" className="flex gap-5">
                {VIEWS.map(([name, words]) => (
                  <button
                    key={name}
                    type="button"
                    role="tab"
                    aria-selected={view === name}
                    className={`name-face min-h-[2.2rem] cursor-pointer border-b-2 text-xl ${view === name ? "border-primary" : "border-transparent quiet"}`}
                    onClick={() => setView(name)}
                  >
                    {words}
                  </button>
                ))}
              </div>
              <span className="ml-auto flex gap-2">
                <button type="button" className="btn btn-primary btn-sm" onClick={() => void note("swatch")}>
                  <Plus size={15} aria-hidden /> Note a swatch
                </button>
                <select
                  className="select select-sm w-40"
                  aria-label="Note something else"
                  value=""
                  onChange={(event) => {
                    const kind = LOG_KINDS.find((one) => one === event.target.value);
                    if (kind) void note(kind);
                  }}
                >
                  <option value="">something else …</option>
                  {LOG_KINDS.filter((kind) => kind !== "swatch").map((kind) => (
                    <option key={kind} value={kind}>
                      {KIND_WORDS[kind]}
                    </option>
                  ))}
                </select>
              </span>
            </div>
            {fault && (
              <p role="alert" className="mb-3 text-error">
                {fault}
              </p>
            )}
            {view === "taught" && <Taught entries={entries} onOpen={(id) => void openById(id)} />}
            {view === "next" && <NextView onNote={(asked, painting) => void noteNext(asked, painting)} />}
            {view === "board" && (
              <>
                <div className="print:hidden">
                  <Filters query={query} onQuery={setQuery} entries={here} paints={inBook} shown={shown.length} />
                </div>
                <BoardView entries={shown} />
              </>
            )}
            {view === "eye" && <EyeView entries={here} known={eye} />}
            {view === "pages" && pair.length === 2 && (
              <SideBySide entries={[pair[0]!, pair[1]!]} onClose={() => setCompared([])} />
            )}
            {view === "pages" && pair.length < 2 && (
              <>
                {here.length === 0 ? (
                  <p className="name-face max-w-2xl py-8 text-xl leading-snug">
                    The book is empty. Note a swatch with its paints and water, show its dried colour in a photo, and
                    every later prediction knows more of your paints and your hand.
                  </p>
                ) : (
                  <Filters query={query} onQuery={setQuery} entries={here} paints={inBook} shown={shown.length} />
                )}
                {pair.length === 1 && (
                  <p role="note" className="mb-3">
                    Tick a second page to see both side by side.
                  </p>
                )}
                {here.length > 0 && shown.length === 0 && (
                  <p className="name-face py-8 text-xl">No page answers to that.</p>
                )}
                <WindowedGrid
                  label="Pages"
                  items={shown}
                  keyOf={({ id }) => id}
                  leastPx={248}
                  gapPx={[16, 20]}
                  rowPx={210}
                >
                  {(entry) => (
                    <EntryCard
                      entry={entry}
                      colours={colours.get(entry.id) ?? []}
                      open={opened?.entry.id === entry.id}
                      onOpen={() => void openById(entry.id)}
                      onLike={(like) => setQuery({ ...NO_QUERY, like })}
                      compared={compared.includes(entry.id)}
                      onCompare={() =>
                        setCompared((ids) =>
                          ids.includes(entry.id) ? ids.filter((id) => id !== entry.id) : [...ids, entry.id].slice(-2),
                        )
                      }
                    />
                  )}
                </WindowedGrid>
                <FileBar entries={here} onTaken={() => void readAnew()} />
                <Bin binned={entries.filter(({ binned }) => binned)} onTakeOut={(id) => void bin(id, false)} />
              </>
            )}
          </main>
          {opened && (
            <SideSheet label="One page of the book" of={opened.entry.id} onClose={close}>
              <OpenEntry
                key={`${opened.entry.id} ${opened.entry.revision}`}
                entry={opened.entry}
                store={opened.store}
                onClose={close}
                onBin={() => void bin(opened.entry.id, true)}
                onStored={() => void learnAnew()}
              />
            </SideSheet>
          )}
        </div>
      </div>
    </BookProvider>
  );
}

/** The same, laid out with packed properties. */
export const PackedLogbook = unpacked(Logbook);
