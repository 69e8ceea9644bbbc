"use client";

import { useFollowedLessons } from "@/ui/followed-lessons";
import { unpacked } from "@/ui/unpacked";
import { Minus, Plus } from "lucide-react";
import { useMemo, useState } from "react";
import type { WashCharacter } from "@/core/mixing";
import { LETTERS } from "@/model/limits";
import type { LearnedBook } from "@/model/logbook";
import type { ShelvedPainting } from "@/model/shelf";
import { counted, cutText } from "@/model/text";
import type { StockedPaint } from "@/storage/ports";
import { RoomHeader } from "@/ui/room-header";
import { RuleChips } from "@/ui/rule-chips";
import { useToday } from "@/ui/use-today";
import { PackedBoxView } from "./packed-box";
import { PaintingTicks } from "./painting-ticks";
import { BOX_SIZES, NEW_PACKING, packableFrom, packQuestion, type Packing } from "./packing";
import { usePacked, useWanted } from "./use-packed";

const GRAIN_CHOICES = [
  ["", "as each painting says"],
  ["smooth", "smooth: nothing settles"],
  ["rough", "rough: pigment settles"],
] as const;

/** One box for several paintings: which paints serve all, which one alone needs, what stays at home. */
function Pack({
  shelf,
  following,
  ...lessons
}: {
  shelf: readonly ShelvedPainting[];
  paints: readonly StockedPaint[];
  learned: LearnedBook | null;
  /** What was written into the logbook last is still being learned. */
  following: boolean;
}) {
  const { paints: stocked, learned } = useFollowedLessons(lessons, following);
  const here = useMemo(() => shelf.filter(({ binnedAt, away }) => binnedAt === null && !away), [shelf]);
  const [packing, setPacking] = useState<Packing>(() => ({
    ...NEW_PACKING,
    ticked: here
      .filter(({ colours }) => colours > 0)
      .map(({ id }) => id)
      .slice(0, 6),
  }));
  const change = (part: Partial<Packing>): void => setPacking((now) => ({ ...now, ...part }));
  const today = useToday();
  const { ticked, word, size, must, never, wished } = packing;
  const paints = useMemo(() => packableFrom(stocked, { wished, must }), [stocked, wished, must]);
  const { wanted, reading, fault } = useWanted(ticked);
  const question = useMemo(
    () => (reading ? null : packQuestion(paints, wanted, packing, today, learned)),
    [reading, paints, wanted, packing, today, learned],
  );
  const { packed, state, share, fault: broken } = usePacked(question);
  const named = (ids: readonly string[], words: string) =>
    ids.map((id) => ({ id, words, name: stocked.find((paint) => paint.id === id)?.name ?? "a paint that is gone" }));
  const wishes = stocked.filter(({ status }) => status === "wished for").length;
  const without = (id: string) => ({
    must: must.filter((one) => one !== id),
    never: never.filter((one) => one !== id),
  });
  const rule = (which: "must" | "never", id: string): void => {
    const rest = without(id);
    change({ ...rest, [which]: [...rest[which], id] });
  };
  const counts = question?.asked.reduce((sum, { colours }) => sum + colours.length, 0) ?? 0;
  const name = cutText(
    question?.asked.length === 1
      ? `For ${question.asked[0]!.title}`
      : `For ${counted(question?.asked.length ?? 0, "painting")}`,
    LETTERS.boxName,
  );
  return (
    <div className="min-h-dvh">
      <RoomHeader room="Pack a box" />
      <main className="mx-auto grid max-w-7xl grid-cols-[minmax(0,1fr)] gap-8 px-6 py-6 lg:grid-cols-[21rem_minmax(0,1fr)]">
        <section aria-label="What it is packed for" className="space-y-4">
          <p className="quiet leading-snug">
            One box for several paintings: the few paints that serve all of them best, and whom each is for.
          </p>
          {here.length === 0 ? (
            <p>
              No painting lies here.{" "}
              <a className="link" href="/">
                Bring a photo on the desk
              </a>
              .
            </p>
          ) : (
            <PaintingTicks shelf={here} ticked={ticked} onChange={(next) => change({ ticked: next })} />
          )}
          <label className="block">
            <span className="label-line block">Only areas with this in their name</span>
            <input
              type="search"
              className="input input-sm w-full"
              placeholder="sky, skin, cloth …"
              value={word}
              maxLength={LETTERS.areaName}
              onChange={(event) => change({ word: event.target.value })}
            />
          </label>
          <label className="block">
            <span className="label-line block">How their washes should lie</span>
            <select
              className="select select-sm w-full"
              value={packing.grain ?? ""}
              onChange={(event) =>
                change({ grain: event.target.value === "" ? null : (event.target.value as WashCharacter["grain"]) })
              }
            >
              {GRAIN_CHOICES.map(([grain, words]) => (
                <option key={grain} value={grain}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <div className="flex items-center gap-2">
            <span className="flex-1">Wells in the box</span>
            <button
              type="button"
              className="btn btn-square btn-outline btn-sm"
              aria-label="One well fewer"
              disabled={size <= BOX_SIZES.least}
              onClick={() => change({ size: size - 1 })}
            >
              <Minus size={14} />
            </button>
            <output aria-label="Wells" className="w-8 text-center text-lg">
              {size}
            </output>
            <button
              type="button"
              className="btn btn-square btn-outline btn-sm"
              aria-label="One well more"
              disabled={size >= BOX_SIZES.most}
              onClick={() => change({ size: size + 1 })}
            >
              <Plus size={14} />
            </button>
          </div>
          {wishes > 0 && (
            <label className="flex min-h-[2.2rem] cursor-pointer items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={wished}
                onChange={() => change({ wished: !wished })}
              />
              {counted(wishes, "paint")} wished for may come in: their wells stay empty until bought
            </label>
          )}
          <RuleChips
            label="Must and stays"
            rules={[...named(must, "comes along:"), ...named(never, "stays at home:")]}
            onDrop={(id) => change(without(id))}
          />
        </section>
        <section aria-label="The box" aria-busy={state === "working"} className="min-w-0 space-y-3">
          {fault && (
            <p role="alert" className="text-error">
              {fault}
            </p>
          )}
          {state === "failed" && (
            <p role="alert" className="text-error">
              The box could not be packed: {broken}
            </p>
          )}
          {state === "working" && (
            <progress className="progress progress-primary w-full" value={share} max={1} aria-label="Packing" />
          )}
          {ticked.length === 0 ? (
            <p className="name-face text-xl">Tick the paintings that the box is for.</p>
          ) : paints.length === 0 ? (
            <p className="name-face text-xl">No paint is at hand: the paintbox is where they come from.</p>
          ) : question && counts === 0 ? (
            <p role="status" className="name-face text-xl">
              No area of these paintings has “{word}” in its name.
            </p>
          ) : (
            packed && (
              <PackedBoxView
                packed={packed}
                name={name}
                onRule={rule}
                onSize={(next) => change({ size: Math.max(BOX_SIZES.least, next) })}
              />
            )
          )}
        </section>
      </main>
    </div>
  );
}

/** The same, laid out with packed properties. */
export const PackedPack = unpacked(Pack);
