"use client";

import { useEffect, useState, type RefObject } from "react";

/** True once an element has come near the window: what nobody looks at is neither drawn nor computed. */
export function useSeen(element: RefObject<HTMLElement | null>, near = "300px"): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!element.current || seen) return;
    const observer = new IntersectionObserver(([entry]) => entry!.isIntersecting && setSeen(true), {
      rootMargin: near,
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, [element, seen, near]);
  return seen;
}
