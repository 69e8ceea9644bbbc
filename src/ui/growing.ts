"use client";

import { startTransition, useEffect, useState } from "react";

/** So much of a long list is on a page as it comes. */
const FIRST = 60;

/** A long list: its beginning as the page comes, all of it as soon as the page can be used. */
export function useGrowing<T>(list: readonly T[], first = FIRST): readonly T[] {
  const [grown, setGrown] = useState(false);
  useEffect(() => startTransition(() => setGrown(true)), []);
  return grown || list.length <= first ? list : list.slice(0, first);
}
