"use client";

import { ListPlus, X } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { paintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { COMMON, HANDBOOK, readPaintList, type FoundPigment } from "@/core/pigments";
import { LETTERS, LIMITS } from "@/model/limits";
import { MIXABLE, newPaint, type PaintEntry } from "@/model/paintbox";
import { Strip } from "@/ui/strip";
import { usePaintbox } from "./paintbox-store";

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const entryOf = ({ name, pigments }: Pick<FoundPigment, "name" | "pigments">): PaintEntry =>
  newPaint({
    id: crypto.randomUUID(),
    name: capital(name).slice(0, LETTERS.paintName),
    pigments: [...pigments],
  });

/** The handbook in the order of a box: what most own, then the rest by family. */
const GROUPS: readonly { readonly name: string; readonly pigments: typeof HANDBOOK }[] = [
  { name: "In most boxes", pigments: COMMON.flatMap((id) => HANDBOOK.filter((pigment) => pigment.id === id)) },
  ...[...new Set(HANDBOOK.map(({ family }) => family))].map((family) => ({
    name: capital(family),
    pigments: HANDBOOK.filter((pigment) => pigment.family === family && !COMMON.includes(pigment.id)),
  })),
];

/** Arrow keys move between the buttons of a list as they stand. */
function moveBy(list: HTMLElement, from: HTMLElement, key: string): boolean {
  const all = [...list.querySelectorAll<HTMLElement>("button[data-tick]")];
  const { top, left, height } = from.getBoundingClientRect();
  const at = all.indexOf(from);
  if (key === "ArrowRight" || key === "ArrowLeft") {
    all[at + (key === "ArrowRight" ? 1 : -1)]?.focus();
    return true;
  }
  if (key !== "ArrowDown" && key !== "ArrowUp") return false;
  const down = key === "ArrowDown";
  const lines = all.filter((one) => {
    const y = one.getBoundingClientRect().top;
    return down ? y > top + height / 2 : y < top - height / 2;
  });
  const away = (one: HTMLElement): number => {
    const box = one.getBoundingClientRect();
    return 4 * Math.abs(box.top - top) + Math.abs(box.left - left);
  };
  lines.sort((one, two) => away(one) - away(two))[0]?.focus();
  return true;
}

/** Every pigment of the handbook with its strip, to be ticked off. */
function TickList({ ticked, onTick }: { ticked: ReadonlySet<string>; onTick: (id: string) => void }) {
  const list = useRef<HTMLDivElement>(null);
  const [search, setSearch] = useState("");
  const paints = usePaintbox((s) => s.document.paints);
  const owned = useMemo(
    () =>
      new Set(
        paints.flatMap(({ status, demo, pigments }) =>
          MIXABLE.has(status) && !demo && pigments.length === 1 ? [pigments[0].pigmentId] : [],
        ),
      ),
    [paints],
  );
  const wanted = search.toLowerCase().split(/\s+/).filter(Boolean);
  return (
    <div className="space-y-3">
      <input
        type="search"
        className="input input-sm w-72"
        aria-label="Only pigments like"
        placeholder="Name or code"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      {/* The buttons take the keys; the list only moves the focus between them. */}
      {/* eslint-disable-next-line jsx-a11y/no-static-element-interactions */}
      <div
        ref={list}
        className="max-h-[46vh] space-y-4 overflow-y-auto pr-2"
        onKeyDown={(event) => {
          if (list.current && event.target instanceof HTMLElement && moveBy(list.current, event.target, event.key))
            event.preventDefault();
        }}
      >
        {GROUPS.map(({ name, pigments }) => {
          const shown = pigments.filter((pigment) =>
            wanted.every((word) => `${pigment.code} ${pigment.name}`.toLowerCase().includes(word)),
          );
          if (shown.length === 0) return null;
          return (
            <section key={name} aria-label={name}>
              <h3 className="label-line mb-1">{name}</h3>
              <div className="grid grid-cols-[repeat(auto-fill,minmax(215px,1fr))] gap-1">
                {shown.map((pigment) => (
                  <button
                    key={pigment.id}
                    type="button"
                    data-tick
                    aria-pressed={ticked.has(pigment.id)}
                    aria-label={`${capital(pigment.name)}, ${pigment.code}`}
                    className={`flex cursor-pointer items-center gap-2 rounded-field border p-1.5 text-left ${ticked.has(pigment.id) ? "border-primary bg-base-200" : "border-transparent hover:bg-base-200"}`}
                    onClick={() => onTick(pigment.id)}
                  >
                    <Strip
                      mix={[{ paint: paintModel(pigment.id, [{ pigmentId: pigment.id, share: 1 }]), parts: 1 }]}
                      paper={PAPERS[0]}
                      width={62}
                      height={26}
                      label=""
                    />
                    <span className="min-w-0 leading-tight">
                      <span className="name-face block truncate">{capital(pigment.name)}</span>
                      <span className="label-line">
                        {pigment.code}
                        {ticked.has(pigment.id) ? " · ticked" : owned.has(pigment.id) ? " · in your box" : ""}
                      </span>
                    </span>
                  </button>
                ))}
              </div>
            </section>
          );
        })}
      </div>
    </div>
  );
}

/** What has been read of a pasted list, line by line; what is not sure is asked. */
function PastedList({
  text,
  chosen,
  onText,
  onChoose,
}: {
  text: string;
  /** Place of the candidate taken for each line; -1 leaves it out. */
  chosen: ReadonlyMap<number, number>;
  onText: (text: string) => void;
  onChoose: (line: number, candidate: number) => void;
}) {
  const read = useMemo(() => readPaintList(text), [text]);
  return (
    <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-4">
      <textarea
        className="textarea h-[46vh] w-full"
        aria-label="Your list"
        placeholder={"PB29, PR108 / burnt sienna\nquin rose PV19\nviridian"}
        value={text}
        onChange={(event) => onText(event.target.value)}
      />
      <ol aria-label="What was read" className="max-h-[46vh] space-y-1 overflow-y-auto">
        {read.map(({ words, candidates, sure }, line) => {
          const at = chosen.get(line) ?? (sure ? 0 : -1);
          return (
            <li key={`${line} ${words}`} className="flex items-center gap-2">
              <span className="min-w-0 flex-1 truncate">{words}</span>
              {candidates.length === 0 ? (
                <span className="text-warning">the handbook knows nothing like it</span>
              ) : (
                <select
                  className={`select select-sm w-56 ${at < 0 ? "border-warning" : ""}`}
                  aria-label={`What is “${words}”?`}
                  value={at}
                  onChange={(event) => onChoose(line, Number(event.target.value))}
                >
                  <option value={-1}>{sure ? "leave it out" : "which one?"}</option>
                  {candidates.map(({ id, name, codes }, i) => (
                    <option key={id} value={i}>
                      {capital(name)} ({codes})
                    </option>
                  ))}
                </select>
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

const WAYS = [
  { way: "tick", name: "Tick them off" },
  { way: "paste", name: "Paste a list" },
] as const;

/** Many paints in a few minutes: ticked off the handbook or read from a list, added as one step; the demo's can be put away with it. */
export function AddMany({ begin }: { begin: boolean }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [way, setWay] = useState<(typeof WAYS)[number]["way"]>("tick");
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState<ReadonlyMap<number, number>>(new Map());
  const [away, setAway] = useState(true);
  const addMany = usePaintbox((s) => s.addMany);
  const paints = usePaintbox((s) => s.document.paints);
  const demo = paints.filter((paint) => paint.demo && MIXABLE.has(paint.status));
  const room = LIMITS.paints - paints.length;

  const entries = useMemo(() => {
    if (way === "tick")
      return GROUPS.flatMap(({ pigments }) => pigments)
        .filter(({ id }) => ticked.has(id))
        .map(({ id, name }) => ({ name, pigments: [{ pigmentId: id, share: 1 }] }));
    return readPaintList(text).flatMap(({ candidates, sure }, line) => {
      const taken = candidates[chosen.get(line) ?? (sure ? 0 : -1)];
      return taken ? [taken] : [];
    });
  }, [way, ticked, text, chosen]);
  const open = (): void => {
    setTicked(new Set());
    setText("");
    setChosen(new Map());
    setAway(true);
    dialog.current?.showModal();
  };
  const add = (): void => {
    addMany(entries.map(entryOf), away ? new Set(demo.map(({ id }) => id)) : new Set());
    dialog.current?.close();
  };
  // Asked for by the address: the list lies open when the room first stands.
  useEffect(() => {
    if (begin) dialog.current?.showModal();
  }, [begin]);
  return (
    <>
      <button type="button" className="btn btn-sm" onClick={open}>
        <ListPlus size={15} /> Many at once
      </button>
      <dialog ref={dialog} className="modal" aria-label="Your paints">
        <div className="modal-box max-w-5xl space-y-4">
          <div className="flex items-center gap-5">
            <h2 className="name-face text-2xl">Your paints</h2>
            <div role="radiogroup" aria-label="How to add them" className="flex gap-0.5">
              {WAYS.map((one) => (
                <button
                  key={one.way}
                  type="button"
                  role="radio"
                  aria-checked={one.way === way}
                  className={`cursor-pointer rounded-field px-2.5 py-1 ${one.way === way ? "bg-neutral text-neutral-content" : "hover:bg-base-200"}`}
                  onClick={() => setWay(one.way)}
                >
                  {one.name}
                </button>
              ))}
            </div>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm ml-auto"
              aria-label="Close"
              onClick={() => dialog.current?.close()}
            >
              <X size={16} />
            </button>
          </div>
          <p className="quiet leading-snug">
            {way === "tick"
              ? "Press each pigment that you own: the number on the tube counts, not its name. Makers and lines can be set for many at once afterwards."
              : "Codes or names from anywhere, one a line or parted by commas. What can't be told for sure is asked beside it."}
          </p>
          {way === "tick" ? (
            <TickList
              ticked={ticked}
              onTick={(id) =>
                setTicked((now) => new Set(now.has(id) ? [...now].filter((one) => one !== id) : [...now, id]))
              }
            />
          ) : (
            <PastedList
              text={text}
              chosen={chosen}
              onText={(next) => {
                setText(next);
                setChosen(new Map());
              }}
              onChoose={(line, candidate) => setChosen((now) => new Map(now).set(line, candidate))}
            />
          )}
          {entries.length > room && (
            <p role="alert" className="text-error">
              A paintbox holds {LIMITS.paints} paints; there is room for {room} more.
            </p>
          )}
          <div className="modal-action items-center">
            {demo.length > 0 && (
              <label className="mr-auto flex cursor-pointer items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={away}
                  onChange={(event) => setAway(event.target.checked)}
                />
                Put the demo&apos;s {demo.length} paints away
              </label>
            )}
            <button type="button" className="btn" onClick={() => dialog.current?.close()}>
              Leave it
            </button>
            <button
              type="button"
              className="btn btn-primary"
              disabled={entries.length === 0 || entries.length > room}
              onClick={add}
            >
              Add {entries.length === 1 ? "1 paint" : `${entries.length} paints`}
            </button>
          </div>
        </div>
        <form method="dialog" className="modal-backdrop">
          <button>Close</button>
        </form>
      </dialog>
    </>
  );
}
