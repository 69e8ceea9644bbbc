"use client";

import { useEffect, useState } from "react";
import { answerOf } from "./ask";

/** What was asked for: on its way, there, or why not, in words. */
export type Asked<T> =
  | { readonly state: "asking" }
  | { readonly state: "there"; readonly answer: T }
  | { readonly state: "failed"; readonly message: string };

/**
 * Asks for something as long as a component is shown, and anew when `key` changes.
 * @param read takes the answer's JSON; what it throws is told as a failure
 */
export function useAnswer<T>(url: string, key: string, read: (json: unknown) => T): Asked<T> {
  const [asked, setAsked] = useState<{ readonly of: string; readonly now: Asked<T> }>({
    of: "",
    now: { state: "asking" },
  });
  const of = `${url} ${key}`;
  useEffect(() => {
    let stale = false;
    const ask = async (): Promise<Asked<T>> => {
      const answer = await answerOf(url, { cache: "no-store" });
      if (typeof answer === "string") return { state: "failed", message: answer };
      try {
        return { state: "there", answer: read(await answer.json()) };
      } catch {
        return { state: "failed", message: "The answer could not be read. Load the page again." };
      }
    };
    void ask().then((now) => !stale && setAsked({ of, now }));
    return () => {
      stale = true;
    };
  }, [url, of, read]);
  return asked.of === of ? asked.now : { state: "asking" };
}
