"use client";

import { useFollowedLessons } from "@/ui/followed-lessons";
import { unpacked } from "@/ui/unpacked";
import { Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import { paintModel } from "@/core/mixing";
import { COUNTABLE_WATER, paperById, waterWords } from "@/core/optics";
import { CONVENIENCE_MIXES, HANDBOOK, pigmentById, type PigmentShare } from "@/core/pigments";
import { asLaid } from "@/model/as-laid";
import { looksKnown } from "@/model/paintbox";
import type { LearnedBook } from "@/model/logbook";
import type { StockedPaint } from "@/storage/ports";
import { PaintPicker, type PickablePaint } from "@/ui/paint-picker";
import { RoomHeader } from "@/ui/room-header";
import { UndoButtons, useUndoKeys } from "@/ui/undo";
import { PaperOptions } from "@/ui/paper-options";
import { createTrialStore, MOST_PAINTS, type Trial } from "./mix-store";
import { MixResult } from "./mix-result";
import { PartRow } from "./part-row";

const codesOf = (pigments: readonly PigmentShare[]): string =>
  pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ");

const isInHandbook = (id: string): boolean => [...HANDBOOK, ...CONVENIENCE_MIXES].some((record) => record.id === id);

/** Own paints first, then the handbook's pigments and convenience mixes. */
function allPaints(
  owned: readonly StockedPaint[],
  learned: LearnedBook | null,
  paperId: string,
): readonly PickablePaint[] {
  return [
    ...owned
      .filter((paint) => paint.status !== "put away" && looksKnown(paint))
      .map((paint) => asLaid(paint, learned, paperId))
      .map(({ id, name, pigments, tintingStrength, measured }) => ({
        id,
        name,
        detail: `yours${measured ? ", measured" : ""} · ${codesOf(pigments)}`,
        model: paintModel(id, pigments, tintingStrength, measured),
      })),
    ...HANDBOOK.map(({ id, name, code, also }) => ({
      id,
      name,
      detail: code,
      search: also?.join(" "),
      model: paintModel(id, [{ pigmentId: id, share: 1 }]),
    })),
    ...CONVENIENCE_MIXES.map(({ id, name, pigments }) => ({
      id,
      name,
      detail: codesOf(pigments),
      model: paintModel(id, pigments),
    })),
  ];
}

function WaterSlider({
  label,
  waterParts,
  onChange,
}: {
  label: string;
  waterParts: number;
  onChange: (water: number) => void;
}) {
  const index = COUNTABLE_WATER.findIndex((water) => water >= waterParts);
  return (
    <label className="grid grid-cols-[1fr_auto]">
      <span>{label}</span>
      <span>{waterWords(waterParts)}</span>
      <input
        type="range"
        className="range range-xs col-span-2 w-full [--range-fill:0]"
        min={0}
        max={COUNTABLE_WATER.length - 1}
        step={1}
        value={index}
        aria-valuetext={waterWords(waterParts)}
        onChange={(event) => onChange(COUNTABLE_WATER[Number(event.target.value)]!)}
      />
    </label>
  );
}

/** Up to three paints, moved part by part: what they make wet and dry, settling, as a glaze. */
function TryMix({
  following,
  start,
  ...laid
}: {
  owned: readonly StockedPaint[];
  learned: LearnedBook | null;
  /** What was written into the logbook last is still being learned. */
  following: boolean;
  start: string | null;
}) {
  const { paints: owned, learned } = useFollowedLessons({ paints: laid.owned, learned: laid.learned }, following);
  const [store] = useState(() =>
    createTrialStore(
      start && (owned.some(({ id }) => id === start) || isInHandbook(start))
        ? [start, start === "PBr7-burnt-sienna" ? "PB29" : "PBr7-burnt-sienna"]
        : ["PB29", "PBr7-burnt-sienna"],
    ),
  );
  const trial = useStore(store, (s) => s.trial);
  const change = useStore(store, (s) => s.change);
  const paper = paperById(trial.paperId);
  const paints = useMemo(() => allPaints(owned, learned, trial.paperId), [owned, learned, trial.paperId]);
  const byId = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);

  useUndoKeys(store.temporal);

  const named = (id: string, parts: number) => {
    const paint = byId.get(id);
    return paint ? { paint: paint.model, parts, name: paint.name } : null;
  };
  const parts = trial.parts.flatMap(({ id, parts: amount }) => named(id, amount) ?? []);
  const under = trial.under && named(trial.under.id, 1);
  const setParts = (next: Trial["parts"]): void => change({ parts: next });
  const rowless = trial.parts.map(({ id }) => id);

  return (
    <div className="room-frame">
      <RoomHeader room="Try a mix">
        <span className="flex gap-1">
          <UndoButtons history={store.temporal} />
        </span>
      </RoomHeader>
      <main className="room-sides grid-cols-[430px_minmax(0,1fr)]">
        <section aria-label="The mix" className="room-side space-y-6 border-r border-(--hairline) bg-base-100 p-6">
          <ul className="space-y-4">
            {trial.parts.map(({ id, parts: amount }, i) => {
              const paint = byId.get(id);
              return (
                paint && (
                  <PartRow
                    key={id}
                    paint={paint}
                    parts={amount}
                    paper={paper}
                    onParts={(next) =>
                      setParts(trial.parts.map((part, j) => (j === i ? { ...part, parts: next } : part)))
                    }
                    onRemove={trial.parts.length > 1 ? () => setParts(trial.parts.filter((_, j) => j !== i)) : null}
                  />
                )
              );
            })}
          </ul>
          {trial.parts.length < MOST_PAINTS && (
            <PaintPicker
              title="Add a paint to the mix"
              paints={paints}
              paper={paper}
              taken={{ ids: rowless, words: "in the mix" }}
              closeOnPick
              onPick={(id) => setParts([...trial.parts, { id, parts: 1 }])}
              className="btn btn-outline btn-sm border-dashed"
            >
              <Plus size={15} /> another paint
            </PaintPicker>
          )}
          <WaterSlider label="Water" waterParts={trial.waterParts} onChange={(waterParts) => change({ waterParts })} />
          <label className="block">
            <span className="label-line block">Paper</span>
            <select
              className="select w-full"
              value={trial.paperId}
              onChange={(event) => change({ paperId: event.target.value })}
            >
              <PaperOptions />
            </select>
          </label>
          <section aria-label="Glaze" className="space-y-3 border-t border-(--hairline) pt-4">
            <h2 className="font-semibold">Over a dried wash</h2>
            {under && trial.under ? (
              <>
                <p className="flex items-center gap-2">
                  <span className="name-face flex-1 text-[1.1rem] first-letter:uppercase">{under.name}</span>
                  <button
                    type="button"
                    className="btn btn-square btn-ghost btn-sm"
                    aria-label="No wash below"
                    onClick={() => change({ under: null })}
                  >
                    <X size={16} />
                  </button>
                </p>
                <WaterSlider
                  label="Its water"
                  waterParts={trial.under.waterParts}
                  onChange={(waterParts) => trial.under && change({ under: { ...trial.under, waterParts } })}
                />
              </>
            ) : (
              <PaintPicker
                title="The dried wash below"
                paints={paints}
                paper={paper}
                closeOnPick
                onPick={(id) => change({ under: { id, waterParts: 6 } })}
                className="btn btn-outline btn-sm border-dashed"
              >
                <Plus size={15} /> a wash below
              </PaintPicker>
            )}
          </section>
        </section>
        <div className="room-side bg-(--photo-ground)">
          <MixResult
            parts={parts}
            waterParts={trial.waterParts}
            paper={paper}
            under={under && trial.under ? { part: under, waterParts: trial.under.waterParts } : null}
          />
        </div>
      </main>
    </div>
  );
}

/** The same, laid out with packed properties. */
export const PackedTryMix = unpacked(TryMix);
