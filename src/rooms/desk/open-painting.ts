"use client";

import { createContext, useContext } from "react";

/** The painting on the desk, as the server knows it. */
interface OpenPainting {
  readonly id: string;
  /** The server has everything that was changed. */
  readonly saved: boolean;
}

const OpenPaintingContext = createContext<OpenPainting | null>(null);
export const OpenPaintingProvider = OpenPaintingContext.Provider;

/** The painting on the desk, as the server knows it. */
export function useOpenPainting(): OpenPainting {
  const painting = useContext(OpenPaintingContext);
  if (!painting) throw new Error("Only usable on the desk.");
  return painting;
}
