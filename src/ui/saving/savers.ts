"use client";

import type { Saver } from "./saver";

/** The savers of this window's rooms, open or closing, and the newest revision acknowledged of each document. */
const open = new Map<Saver<never>, () => void>();
const closing = new Set<Promise<void>>();
const acknowledgedRevisions = new Map<string, number>();

/** What a page that is left still sends; then other windows may see to what it leaves in the outbox. */
function onPageHide(): void {
  for (const [saver, letGo] of open) {
    void saver.save(true);
    letGo();
  }
}

/** Keeps a saver among this window's, with what gives its writer's lock back. */
export function addSaver(saver: Saver<never>, letGo: () => void): void {
  if (open.size === 0) window.addEventListener("pagehide", onPageHide);
  open.set(saver, letGo);
}

/** Ends a saver once what it has is stored, or can't be now. */
export function finishSaver(saver: Saver<never>): Promise<void> {
  const finished = saver.finish().finally(() => {
    open.get(saver)?.();
    open.delete(saver);
    closing.delete(finished);
  });
  closing.add(finished);
  return finished;
}

export const acknowledged = (url: string, revision: number): void => void acknowledgedRevisions.set(url, revision);

/** True while something that was changed in this window has not been stored yet. */
export const isSomethingUnsent = (): boolean => [...open.keys()].some((saver) => saver.dirty);

/** Resolves when what this window's closed rooms had to send has been sent, or could not be. */
export async function sentByOthers(): Promise<void> {
  await Promise.all(closing);
}

/** True when a document was read before its newest save that this window knows of. */
export const isOutdated = (revisions: Readonly<Record<string, number>>): boolean =>
  Object.entries(revisions).some(([url, revision]) => (acknowledgedRevisions.get(url) ?? 0) > revision);
