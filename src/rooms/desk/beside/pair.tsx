"use client";

import { useEffect, useEffectEvent, useState } from "react";
import { PAIR_URL } from "@/model/beside";
import { askFor, jsonOf } from "@/ui/ask";
import { QuietPage } from "@/ui/quiet-page";

/** Pairs this device with the desk, by the code that stands there; one that came with the address is sent at once. */
export function Pair() {
  const [code, setCode] = useState("");
  const [fault, setFault] = useState<string | null>(null);
  const send = async (digits: string): Promise<void> => {
    const wrong = await askFor(PAIR_URL, jsonOf("POST", { code: digits }));
    if (wrong === null) return window.location.replace(window.location.pathname);
    setFault(wrong);
  };
  const sendFromAddress = useEffectEvent((digits: string) => void send(digits));
  useEffect(() => {
    const look = (): void => {
      const digits = window.location.hash.slice(1);
      if (digits === "") return;
      window.history.replaceState(null, "", window.location.pathname);
      sendFromAddress(digits);
    };
    const soon = setTimeout(look);
    // The square is photographed while this page is shown already.
    window.addEventListener("hashchange", look);
    return () => {
      clearTimeout(soon);
      window.removeEventListener("hashchange", look);
    };
  }, []);
  return (
    <QuietPage title="Beside the easel">
      <p className="mb-4">On the desk, the sign with the two screens shows a code. Type it here.</p>
      <form
        className="flex items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void send(code);
        }}
      >
        <label className="grid gap-1">
          Code
          <input
            className="input w-44 text-[1.5rem] tracking-widest"
            inputMode="numeric"
            autoComplete="one-time-code"
            value={code}
            onChange={({ target }) => setCode(target.value)}
          />
        </label>
        <button type="submit" className="btn btn-primary">
          Pair
        </button>
      </form>
      {fault && (
        <p role="alert" className="mt-3 text-error">
          {fault}
        </p>
      )}
    </QuietPage>
  );
}
