"use client";

import { RefreshCw } from "lucide-react";
import { useRef, useState } from "react";
import { paintingPage } from "@/model/addresses";
import { PHOTO_TYPES } from "@/ui/photo-types";
import { uploadExchange } from "@/ui/upload";
import { useOpenPainting } from "../open-painting";
import { firstOf } from "../palette-step/words";

type Exchange =
  | { readonly state: "idle" }
  | { readonly state: "busy"; readonly share: number }
  | { readonly state: "refused"; readonly message: string }
  | { readonly state: "done"; readonly id: string; readonly words: string };

/** A better photo of the same motif: the areas are laid on it where they lie on this one. */
export function ExchangePhoto() {
  const { id, saved } = useOpenPainting();
  const input = useRef<HTMLInputElement>(null);
  const [exchange, setExchange] = useState<Exchange>({ state: "idle" });
  const open = (next: string): void => window.location.assign(`${paintingPage(next)}?step=areas`);
  const bring = (file: File): void => {
    setExchange({ state: "busy", share: 0 });
    void uploadExchange(id, file, (share) => setExchange({ state: "busy", share })).then((answer) => {
      if ("message" in answer) return setExchange({ state: "refused", message: answer.message });
      const words = [
        ...(answer.alike
          ? []
          : ["The two photos look little alike, so the areas lie by their place in the picture alone: look at each."]),
        ...(answer.lost.length > 0 ? [`The new photo does not show ${firstOf(answer.lost, 4)}.`] : []),
      ].join(" ");
      if (words === "") open(answer.id);
      else setExchange({ state: "done", id: answer.id, words });
    });
  };
  const busy = exchange.state === "busy";
  return (
    <section aria-label="A better photo" className="space-y-2.5">
      <h3 className="font-semibold">A better photo of the same motif?</h3>
      <p className="quiet text-[0.9rem] leading-snug">
        The areas are found again on it, with its colours; names, palette and mixes stay. The painting with this photo
        goes to the bin, from where it can be taken out again.
      </p>
      {exchange.state === "done" ? (
        <div role="alert" className="space-y-2">
          <p>{exchange.words}</p>
          <button type="button" className="btn btn-primary btn-sm" onClick={() => open(exchange.id)}>
            Open it
          </button>
        </div>
      ) : (
        <button
          type="button"
          className="btn btn-outline btn-sm"
          disabled={busy || !saved}
          onClick={() => input.current?.click()}
        >
          <RefreshCw size={15} />{" "}
          {busy
            ? exchange.share < 1
              ? `Bringing it in, ${Math.round(100 * exchange.share)} %`
              : "Looking for the areas …"
            : "Exchange the photo"}
        </button>
      )}
      <input
        ref={input}
        type="file"
        accept={PHOTO_TYPES}
        className="hidden"
        aria-label="Photo in place of this one"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) bring(file);
          event.target.value = "";
        }}
      />
      {exchange.state === "refused" && (
        <p role="alert" className="text-error">
          {exchange.message}
        </p>
      )}
    </section>
  );
}
