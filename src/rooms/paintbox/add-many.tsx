"use client";

import { ListPlus } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { readPaintList, type FoundPigment } from "@/core/pigments";
import { LETTERS, LIMITS } from "@/model/limits";
import { MIXABLE, newPaint, type PaintEntry } from "@/model/paintbox";
import { capital, counted, cutText } from "@/model/text";
import { usePaintbox } from "./paintbox-store";
import { PastedList } from "./pasted-list";
import { GROUPS, TickList } from "./tick-list";
import { ViewChoice } from "@/ui/view-choice";
import { CloseButton, ModalBackdrop } from "@/ui/close-button";

/** A paint to be added: what it is called and made of. */
interface ToAdd extends Pick<FoundPigment, "pigments"> {
  readonly name: string;
  readonly maker?: string;
}

const entryOf = ({ name, maker = "", pigments }: ToAdd): PaintEntry =>
  newPaint({
    id: crypto.randomUUID(),
    name: cutText(name, LETTERS.paintName),
    maker: cutText(maker, LETTERS.paintName),
    pigments: pigments.slice(0, LIMITS.pigments),
  });

const WAYS = [
  { view: "tick", name: "Tick them off" },
  { view: "paste", name: "Paste a list" },
] as const;

/**
 * Many paints in a few minutes: ticked off the handbook or read from a list, added as one step; the demo's can be put
 * away with it.
 */
export function AddMany({ begin }: { begin: boolean }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [way, setWay] = useState<(typeof WAYS)[number]["view"]>("tick");
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [text, setText] = useState("");
  const [chosen, setChosen] = useState<ReadonlyMap<number, number>>(new Map());
  const [away, setAway] = useState(true);
  const addMany = usePaintbox((s) => s.addMany);
  const paints = usePaintbox((s) => s.document.paints);
  const demo = paints.filter((paint) => paint.demo && MIXABLE.has(paint.status));
  const room = LIMITS.paints - paints.length;

  const all = useMemo((): readonly ToAdd[] => {
    if (way === "tick")
      return GROUPS.flatMap(({ pigments }) => pigments)
        .filter(({ id }) => ticked.has(id))
        .map(({ id, name }) => ({ name: capital(name), pigments: [{ pigmentId: id, share: 1 }] }));
    return readPaintList(text).paints.flatMap(({ name, maker, candidates, sure }, line) => {
      const taken = candidates[chosen.get(line) ?? (sure ? 0 : -1)];
      // What it is called in the list is what it is called in the box.
      return taken ? [{ name: capital(name || taken.name), maker, pigments: taken.pigments }] : [];
    });
  }, [way, ticked, text, chosen]);
  const entries = all.slice(0, room);
  const beyond = all.slice(room);
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
            <ViewChoice label="How to add them" views={WAYS} shown={way} onShow={setWay} />
            <CloseButton className="ml-auto" onClose={() => dialog.current?.close()} />
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
          {beyond.length > 0 && (
            <p role="alert" className="text-error">
              A paintbox holds {LIMITS.paints} paints; there is room for {room} more. Left out:{" "}
              {counted(beyond.length, "paint")}, from {beyond[0]!.name} on.
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
            <button type="button" className="btn btn-primary" disabled={entries.length === 0} onClick={add}>
              Add {entries.length === 1 ? "1 paint" : `${entries.length} paints`}
            </button>
          </div>
        </div>
        <ModalBackdrop />
      </dialog>
    </>
  );
}
