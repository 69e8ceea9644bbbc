"use client";

import { createContext, useContext } from "react";
import type { AreaEdits } from "./area-edits";

const EditsContext = createContext<AreaEdits | null>(null);
export const EditsProvider = EditsContext.Provider;

/** What can be done to the areas' shapes. */
export function useEdits(): AreaEdits {
  const edits = useContext(EditsContext);
  if (!edits) throw new Error("Only usable on the desk.");
  return edits;
}
