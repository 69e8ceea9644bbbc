"use client";

import { useEffect, useState } from "react";
import type { StoreApi } from "zustand";
import type { Merged } from "@/model/merge";
import { holdWriter, outbox } from "./left-behind";
import { AutosaveQueue, type SaveState } from "./autosave-queue";
import { acknowledged, addQueue, finishQueue, noteSending } from "./autosave-queues";

/** A document that is saved automatically: its address, the revision it was read at, its title. */
export interface Saved<Document> {
  readonly url: string;
  readonly revision: number;
  readonly store: StoreApi<{ readonly document: Document; readonly replace: (document: Document) => void }>;
  readonly merge: (sides: { base: Document; mine: Document; theirs: Document }) => Merged<Document>;
  /** What is sent in place of a whole document that differs little from the stored one; null: the whole. */
  readonly part?: (stored: Document, document: Document) => object | null;
  readonly title: (document: Document) => string;
  readonly photoId: string | null;
}

/** How saving stands, and what a painter may do about a conflict. */
export interface Saving<Document> {
  readonly state: SaveState;
  readonly queue: AutosaveQueue<Document> | null;
}

/** Keeps a store's document saved while it is open. */
export function useAutosave<Document>({
  url,
  revision,
  store,
  merge,
  part,
  title,
  photoId,
}: Saved<Document>): Saving<Document> {
  const [saving, setSaving] = useState<Saving<Document>>({ state: { state: "saved" }, queue: null });
  useEffect(() => {
    const read = (): Document => store.getState().document;
    const own = new AutosaveQueue<Document>({
      url,
      revision,
      read,
      merge,
      part,
      photoId,
      outbox,
      acknowledged,
      sending: noteSending,
      report: (state) => setSaving({ state, queue: own }),
      now: Date.now,
      replace: (document) => store.getState().replace(document),
      title: () => title(read()),
    });
    addQueue(own as unknown as AutosaveQueue<never>, holdWriter(own.writer));
    const unsubscribe = store.subscribe(() => own.changed());
    const leaving = (event: BeforeUnloadEvent): void => {
      if (own.atRisk) event.preventDefault();
    };
    window.addEventListener("beforeunload", leaving);
    return () => {
      unsubscribe();
      void finishQueue(own as unknown as AutosaveQueue<never>);
      window.removeEventListener("beforeunload", leaving);
    };
  }, [url, revision, store, merge, part, title, photoId]);
  return saving;
}
