"use client";

import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import { useEffect, useRef, type ReactNode } from "react";
import { z } from "zod";
import { useDeskStore } from "../desk-store";

/** What is dragged must move this far first, so that a click and a tap stay what they are, CSS px. */
const DRAG_FROM_PX = 6;
/** Where a paint is dropped that gets a well of its own. */
export const NEW_WELL = "new well";

const carried = z.object({ paintId: z.string() });

/** The well, or the place for a new one, under a point of the window. What is dragged over it is passed over. */
const wellAt = (x: number, y: number): string | undefined =>
  document
    .elementsFromPoint(x, y)
    .flatMap((element) => (element instanceof HTMLElement ? (element.dataset.drop ?? []) : []))[0];

/** Paints are dragged from the palette step to the tray's wells, and from well to well. Everything has keys as well. */
export function WellDragging({ children }: { children: ReactNode }) {
  const { addToPalette, putInWell, tryPalette } = useDeskStore().getState();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }));
  // Where the hand let go, not what was last drawn as under it: a quick hand on a slow machine is ahead of the drawing.
  const letGo = useRef({ x: 0, y: 0 });
  useEffect(() => {
    const note = ({ clientX, clientY }: PointerEvent): void => {
      letGo.current = { x: clientX, y: clientY };
    };
    window.addEventListener("pointerup", note, true);
    return () => window.removeEventListener("pointerup", note, true);
  }, []);
  const drop = ({ active }: DragEndEvent): void => {
    const from = carried.safeParse(active.data.current);
    const well = wellAt(letGo.current.x, letGo.current.y);
    if (!from.success || well === undefined || from.data.paintId === well) return;
    tryPalette(null);
    if (well === NEW_WELL) addToPalette(from.data.paintId);
    else putInWell(from.data.paintId, well);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
      {children}
    </DndContext>
  );
}
