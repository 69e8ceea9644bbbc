"use client";

import { useMemo, useState } from "react";

/**
 * What a function makes of a list, made anew only when the list holds other things than before, or in another order:
 * for what takes long over lists that are put together anew at every change of anything.
 */
export function ofSame<T, R>(make: (list: readonly T[]) => R): (list: readonly T[]) => R {
  let last: { readonly list: readonly T[]; readonly made: R } | null = null;
  return (list) => {
    if (last?.list.length !== list.length || last.list.some((one, i) => one !== list[i]))
      last = { list, made: make(list) };
    return last.made;
  };
}

/** {@link ofSame} for as long as a component is on the page. */
export function useOfSame<T, R>(list: readonly T[], make: (list: readonly T[]) => R): R {
  const [kept] = useState(() => ofSame(make));
  return useMemo(() => kept(list), [kept, list]);
}
