"use client";

import { useSyncExternalStore } from "react";
import { localDay } from "@/model/day";

const onLook = (changed: () => void): (() => void) => {
  document.addEventListener("visibilitychange", changed);
  window.addEventListener("focus", changed);
  return () => {
    document.removeEventListener("visibilitychange", changed);
    window.removeEventListener("focus", changed);
  };
};
const today = (): string => localDay(new Date());

/** The painter's day, YYYY-MM-DD; a page that is left open over midnight is looked at with the new one. */
export const useToday = (): string => useSyncExternalStore(onLook, today, today);
