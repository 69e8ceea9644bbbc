"use client";

import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from "react";
import { paintModel, type PaintModel } from "@/core/mixing";
import { countingOf, opticsOfMeasurement, type Measurement } from "@/model/measurement";
import type { PaintEntry } from "@/model/paintbox";

interface Measured {
  /** Newest first. */
  readonly list: readonly Measurement[];
  /** Lets a measurement count or sets it aside. */
  readonly setCounts: (id: string, counts: boolean) => void;
  readonly modelOf: (paint: PaintEntry) => PaintModel;
}

/** The model of a paint of the box: measured, or typical. */
export function boxModel(paint: PaintEntry, measurement: Measurement | undefined): PaintModel {
  return paintModel(
    paint.id,
    paint.pigments,
    paint.tintingStrength,
    measurement ? opticsOfMeasurement(measurement) : null,
  );
}

/**
 * Makes models for a state of the measurements. A paint keeps its model while its pigments and its strength stay: what
 * is reckoned from it need not be reckoned anew for a note, a maker or where it stands.
 */
export function modelMaker(list: readonly Measurement[]): Measured["modelOf"] {
  const counting = countingOf(list);
  const made = new Map<string, { readonly paint: PaintEntry; readonly model: PaintModel }>();
  return (paint) => {
    const before = made.get(paint.id);
    if (before?.paint.pigments === paint.pigments && before.paint.tintingStrength === paint.tintingStrength)
      return before.model;
    const model = boxModel(paint, counting.get(paint.id));
    made.set(paint.id, { paint, model });
    return model;
  };
}

const MeasuredContext = createContext<Measured>({ list: [], setCounts: () => {}, modelOf: modelMaker([]) });

/** The measurements of the paints in the box. */
export const useMeasurements = (): Measured => useContext(MeasuredContext);
/** Makes models of the box's paints. */
export const useModelOf = (): Measured["modelOf"] => useContext(MeasuredContext).modelOf;

/** Keeps the measurements while the paintbox is open. */
export function MeasuredProvider({ stored, children }: { stored: readonly Measurement[]; children: ReactNode }) {
  const [list, setList] = useState(stored);
  const setCounts = useCallback(
    (id: string, counts: boolean) => setList((all) => all.map((one) => (one.id === id ? { ...one, counts } : one))),
    [],
  );
  const value = useMemo(() => ({ list, setCounts, modelOf: modelMaker(list) }), [list, setCounts]);
  return <MeasuredContext.Provider value={value}>{children}</MeasuredContext.Provider>;
}
