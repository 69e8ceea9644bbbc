"use client";

import type { Saver } from "./saver";

/** The savers of this window's rooms, open or closing, and the newest revision acknowledged of each document. */
const open = new Set<Saver<never>>();
const closing = new Set<Promise<void>>();
const acknowledgedRevisions = new Map<string, number>();

export const addSaver = (saver: Saver<never>): void => void open.add(saver);

/** Ends a saver once what it has is stored, or can't be now. */
export function finishSaver(saver: Saver<never>): Promise<void> {
  const finished = saver.finish().finally(() => {
    open.delete(saver);
    closing.delete(finished);
  });
  closing.add(finished);
  return finished;
}

export const acknowledged = (url: string, revision: number): void => void acknowledgedRevisions.set(url, revision);

/** True while something that was changed in this window has not been stored yet. */
export const isSomethingUnsent = (): boolean => [...open].some((saver) => saver.dirty);

/** Resolves when what this window's closed rooms had to send has been sent, or could not be. */
export async function sentByOthers(): Promise<void> {
  await Promise.all(closing);
}

/** True when a document was read before its newest save that this window knows of. */
export const isOutdated = (revisions: Readonly<Record<string, number>>): boolean =>
  Object.entries(revisions).some(([url, revision]) => (acknowledgedRevisions.get(url) ?? 0) > revision);
