"use client";

import { unpacked } from "@/ui/unpacked";
import { useCallback, useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import type { MeasuredOptics } from "@/core/mixing";
import type { SwatchCard } from "@/model/measurement";
import type { StockedPaint, PaintingRecipe } from "@/storage/ports";
import { RoomHeader } from "@/ui/room-header";
import { UndoButtons, useUndoKeys } from "@/ui/undo";
import { ByMeter } from "./by-meter";
import { ByNumbers } from "./by-numbers";
import { ByPhoto } from "./by-photo";
import { CardReader } from "./card-reader";
import { WAYS } from "./draft";
import { createMeasureStore, holdsSomething, MeasureProvider } from "./measure-store";
import { readKeptPhotos } from "./read-photos";
import { RoomProvider, type MeasuringRoom } from "./room";

interface MeasureProps {
  readonly paints: readonly StockedPaint[];
  readonly cards: readonly SwatchCard[];
  readonly recipes: readonly PaintingRecipe[];
  readonly boxes: MeasuringRoom["boxes"];
  readonly demoSheets: MeasuringRoom["demoSheets"];
  /** Paint to begin with. */
  readonly start: string | null;
}

/** The measuring room: from swatches to a paint's own optics. */
function Measure({ paints: stored, cards: printed, recipes, boxes, demoSheets, start }: MeasureProps) {
  const [store] = useState(createMeasureStore);
  const [reader] = useState(() => new CardReader());
  const [paints, setPaints] = useState(stored);
  const [cards, setCards] = useState(printed);
  const way = useStore(store, (s) => s.way);
  const setWay = useStore(store, (s) => s.setWay);
  useUndoKeys(store.temporal);
  useEffect(() => {
    // What the browser kept of the last time; no step of the painter's to be undone.
    store.temporal.getState().pause();
    void store.persist.rehydrate();
    store.temporal.getState().resume();
    // The paint that the room was opened for, unless there are numbers of another one.
    if (start && !holdsSomething(store.getState())) store.getState().setOne({ paintId: start });
    void readKeptPhotos(store, reader);
    return () => reader.stop();
  }, [store, reader, start]);
  const addCard = useCallback((card: SwatchCard) => setCards((list) => [card, ...list]), []);
  const setMeasured = useCallback(
    (paintId: string, measured: MeasuredOptics) =>
      setPaints((list) => list.map((paint) => (paint.id === paintId ? { ...paint, measured } : paint))),
    [],
  );
  const room = useMemo(
    (): MeasuringRoom => ({ paints, cards, recipes, boxes, demoSheets, reader, addCard, setMeasured }),
    [paints, cards, recipes, boxes, demoSheets, reader, addCard, setMeasured],
  );
  return (
    <RoomProvider value={room}>
      <MeasureProvider value={store}>
        <div className="room-frame">
          <RoomHeader room="Measure">
            <div role="tablist" aria-label="Ways to measure" className="flex gap-4">
              {WAYS.map((name) => (
                <button
                  key={name}
                  type="button"
                  role="tab"
                  aria-selected={way === name}
                  className={`cursor-pointer border-b-2 py-1 ${way === name ? "border-primary" : "border-transparent quiet"}`}
                  onClick={() => setWay(name)}
                >
                  {name}
                </button>
              ))}
            </div>
            {way === "By photo" && (
              <span className="flex">
                <UndoButtons history={store.temporal} />
              </span>
            )}
          </RoomHeader>
          <main className="room-side">
            {way === "By photo" && <ByPhoto start={start} />}
            {way === "By meter" && <ByMeter start={start} />}
            {way === "By numbers" && <ByNumbers start={start} />}
          </main>
        </div>
      </MeasureProvider>
    </RoomProvider>
  );
}

/** The same, laid out with packed properties. */
export const PackedMeasure = unpacked(Measure);
