"use client";

import type { AutosaveQueue } from "./autosave-queue";
import { presentSpace } from "./present-space";

/** The queues of this window's rooms, open or closing. */
const open = new Map<AutosaveQueue<never>, () => void>();
const closing = new Set<Promise<void>>();

/** What a page that is left still sends; then other windows may see to what it leaves in the outbox. */
function onPageHide(): void {
  for (const [queue, letGo] of open) {
    void queue.save(true);
    letGo();
  }
}

/** Keeps a queue among this window's, with what gives its writer's lock back. */
export function addQueue(queue: AutosaveQueue<never>, letGo: () => void): void {
  if (open.size === 0) window.addEventListener("pagehide", onPageHide);
  open.set(queue, letGo);
}

/** Ends a queue once what it has is stored, or can't be now. */
export function finishQueue(queue: AutosaveQueue<never>): Promise<void> {
  const finished = queue.finish().finally(() => {
    open.get(queue)?.();
    open.delete(queue);
    closing.delete(finished);
  });
  closing.add(finished);
  return finished;
}

/** True while something that was changed in this window has not been stored yet. */
export const isSomethingUnsent = (): boolean => [...open.keys()].some((queue) => queue.dirty);

/** Resolves when what this window's closed rooms had to send has been sent, or could not be. */
export async function sentByOthers(): Promise<void> {
  await Promise.all(closing);
}

/** Where all windows of this browser note the newest revision that was acknowledged of a document. */
const noteOf = (url: string): string => `abendrot-stored ${presentSpace()}${url}`;

/** Notes that a document is stored at a revision, for this window and for those that are just opening. */
export function acknowledged(url: string, revision: number): void {
  try {
    localStorage.setItem(noteOf(url), String(revision));
  } catch {
    // A browser that keeps nothing: what is shown may be older for a moment, and is merged when it is changed.
  }
}

/** True when a document was read before its newest save that this browser knows of. */
export const isOutdated = (revisions: Readonly<Record<string, number>>): boolean =>
  Object.entries(revisions).some(
    ([url, revision]) =>
      typeof localStorage !== "undefined" && Number(localStorage.getItem(noteOf(url)) ?? 0) > revision,
  );

/** Forgets what is known of documents that are read anew: an older copy of the data folder may have been put back. */
export function trustNextReading(revisions: Readonly<Record<string, number>>): void {
  for (const url of Object.keys(revisions)) localStorage.removeItem(noteOf(url));
}

const sendingOf = (url: string): string => `abendrot-sending ${presentSpace()}${url}`;

/** Notes that a save of a document is on its way, or no longer. */
export function noteSending(url: string, onItsWay: boolean): void {
  try {
    if (onItsWay) localStorage.setItem(sendingOf(url), String(Date.now()));
    else localStorage.removeItem(sendingOf(url));
  } catch {
    // As above.
  }
}

/** A note older than this was left by a window that heard no answer: the outbox has its change. */
const ON_ITS_WAY_MS = 5000;
const LEAVING_MS = 1500;

/**
 * Waits while a save of one of these documents is on its way from a page that has just been left; at most a second and
 * a half.
 */
export async function arrived(urls: readonly string[]): Promise<void> {
  const until = Date.now() + LEAVING_MS;
  while (
    Date.now() < until &&
    urls.some((url) => Date.now() - Number(localStorage.getItem(sendingOf(url)) ?? 0) < ON_ITS_WAY_MS)
  )
    await new Promise((resolve) => setTimeout(resolve, 30));
}
