"use client";

import { createContext, useContext } from "react";
import { paintModel, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { pigmentById } from "@/core/pigments";
import type { SheetKind } from "@/core/calibration";
import type { NewCard, NewMeasurement, SwatchCard } from "@/model/measurement";
import type { TravelBox } from "@/model/paintbox";
import type { StockedPaint, PaintingRecipe } from "@/storage/ports";
import type { CardReader } from "./card-reader";

/** What the measuring room needs of the other rooms. */
export interface MeasuringRoom {
  readonly paints: readonly StockedPaint[];
  readonly cards: readonly SwatchCard[];
  readonly recipes: readonly PaintingRecipe[];
  /** The painter's boxes, whose order a box sheet may follow. */
  readonly boxes: readonly TravelBox[];
  /** Sheets of the demo whose painted photos come with the program. */
  readonly demoSheets: Readonly<Record<SheetKind, number | null>>;
  readonly reader: CardReader;
  /** A card was made. */
  readonly addCard: (card: SwatchCard) => void;
  /** A measurement was kept: the paint stands on it from now on. */
  readonly setMeasured: (paintId: string, measured: MeasuredOptics) => void;
}

const RoomContext = createContext<MeasuringRoom | null>(null);
export const RoomProvider = RoomContext.Provider;

export function useRoom(): MeasuringRoom {
  const room = useContext(RoomContext);
  if (!room) throw new Error("Only usable in the measuring room.");
  return room;
}

export const codesOf = ({ pigments }: Pick<StockedPaint, "pigments">): string =>
  pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ");

/** The model that predictions stand on so far. */
export const modelNow = ({ id, pigments, tintingStrength, measured }: StockedPaint): PaintModel =>
  paintModel(id, pigments, tintingStrength, measured);

/** The same paint with new optics. */
export const modelWith = ({ id, pigments, tintingStrength }: StockedPaint, measured: MeasuredOptics): PaintModel =>
  paintModel(id, pigments, tintingStrength, measured);

/** Sends a measurement to be kept; the answer is its id or words for the painter. */
export async function keepMeasurement(
  measurement: NewMeasurement,
): Promise<{ readonly id: string } | { readonly message: string }> {
  try {
    const response = await fetch("/api/measurements", {
      method: "POST",
      keepalive: true,
      headers: { "content-type": "application/json" },
      body: JSON.stringify(measurement),
    });
    const body = (await response.json()) as { id?: string; message?: string };
    return response.ok && body.id ? { id: body.id } : { message: body.message ?? "The measurement could not be kept." };
  } catch {
    return { message: "Not kept: Abendrot doesn't answer. Is it still running? Try again." };
  }
}

/** Records a sheet to be printed; the answer is the sheet or words for the painter. */
export async function makeSheet(sheet: NewCard): Promise<SwatchCard | { readonly message: string }> {
  try {
    const response = await fetch("/api/cards", {
      method: "POST",
      keepalive: true,
      headers: { "content-type": "application/json" },
      body: JSON.stringify(sheet),
    });
    const body = (await response.json()) as SwatchCard & { message?: string };
    return response.ok ? body : { message: body.message ?? "The sheet could not be made." };
  } catch {
    return { message: "Abendrot doesn't answer. Is it still running? Try again." };
  }
}
