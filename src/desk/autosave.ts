"use client";

import { useEffect, useState } from "react";
import { z } from "zod";
import type { PaintingDocument } from "@/db/painting-document";
import type { DeskStore } from "./desk-store";

export type SaveState =
  | { readonly state: "saved" }
  | { readonly state: "saving" }
  | { readonly state: "failed"; readonly message: string; readonly final: boolean };

const savedReply = z.object({ revision: z.number() });
const refusal = z.object({ message: z.string() });
/** Changes within this time are saved together. */
const SETTLE_MS = 120;
const RETRY_MS = 3000;

/**
 * Saves the document after every change, one request at a time, the newest document last. What
 * can't be saved is tried again until it can; a refusal that trying again can't mend is final.
 */
class Saver {
  private sent: PaintingDocument;
  private busy = false;
  private stopped = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly id: string,
    private revision: number,
    private readonly store: DeskStore,
    private readonly report: (state: SaveState) => void,
  ) {
    this.sent = store.getState().document;
  }

  private failing = false;

  private get dirty(): boolean {
    return this.store.getState().document !== this.sent;
  }

  /** Closing the window now would lose something. */
  get atRisk(): boolean {
    return this.failing && this.dirty;
  }

  changed(): void {
    if (this.stopped || !this.dirty) return;
    this.report({ state: "saving" });
    this.later(SETTLE_MS);
  }

  async save(keepalive = false): Promise<void> {
    clearTimeout(this.timer);
    if (this.busy || this.stopped || !this.dirty) return;
    this.busy = true;
    const { document } = this.store.getState();
    try {
      const response = await fetch(`/api/paintings/${this.id}`, {
        method: "PUT", keepalive, headers: { "content-type": "application/json" },
        body: JSON.stringify({ revision: this.revision, document }),
      });
      const body: unknown = await response.json().catch(() => null);
      if (response.ok) {
        this.revision = savedReply.parse(body).revision;
        this.sent = document;
        this.failing = false;
        if (this.store.getState().document === document) this.report({ state: "saved" });
        else this.later(0);
      } else {
        const { message } = refusal.catch({ message: "The painting could not be saved." }).parse(body);
        this.failing = true;
        this.stopped = response.status < 500;
        this.report({ state: "failed", message, final: this.stopped });
        if (!this.stopped) this.later(RETRY_MS);
      }
    } catch {
      this.failing = true;
      this.report({ state: "failed", final: false, message: "Not saved: Abendrot doesn't answer. Is it still running? It will be tried again." });
      this.later(RETRY_MS);
    } finally {
      this.busy = false;
    }
  }

  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  private later(milliseconds: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(), milliseconds);
  }
}

/** Keeps a painting saved while its desk is open; returns how that stands. */
export function useAutosave(id: string, revision: number, store: DeskStore): SaveState {
  const [state, setState] = useState<SaveState>({ state: "saved" });
  useEffect(() => {
    const saver = new Saver(id, revision, store, setState);
    const unsubscribe = store.subscribe(() => saver.changed());
    const hidden = (): void => void saver.save(true);
    const leaving = (event: BeforeUnloadEvent): void => {
      if (saver.atRisk) event.preventDefault();
    };
    window.addEventListener("pagehide", hidden);
    window.addEventListener("beforeunload", leaving);
    return () => {
      unsubscribe();
      void saver.save(true).finally(() => saver.stop());
      window.removeEventListener("pagehide", hidden);
      window.removeEventListener("beforeunload", leaving);
    };
  }, [id, revision, store]);
  return state;
}
