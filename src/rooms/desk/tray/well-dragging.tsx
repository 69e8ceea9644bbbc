"use client";

import { DndContext, PointerSensor, pointerWithin, useSensor, useSensors, type DragEndEvent } from "@dnd-kit/core";
import type { ReactNode } from "react";
import { z } from "zod";
import { useDeskStore } from "../desk-store";

/** What is dragged must move this far first, so that a click and a tap stay what they are, CSS px. */
const DRAG_FROM_PX = 6;
/** Where a paint is dropped that gets a well of its own. */
export const NEW_WELL = "new well";

const carried = z.object({ paintId: z.string() });
const under = z.object({ well: z.string() });

/** Paints are dragged from the palette step to the tray's wells, and from well to well. Everything has keys as well. */
export function WellDragging({ children }: { children: ReactNode }) {
  const { addToPalette, putInWell, tryPalette } = useDeskStore().getState();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }));
  const drop = ({ active, over }: DragEndEvent): void => {
    const from = carried.safeParse(active.data.current);
    const to = under.safeParse(over?.data.current);
    if (!from.success || !to.success || from.data.paintId === to.data.well) return;
    tryPalette(null);
    if (to.data.well === NEW_WELL) addToPalette(from.data.paintId);
    else putInWell(from.data.paintId, to.data.well);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={drop}>
      {children}
    </DndContext>
  );
}
