"use client";

import { mergeAt } from "@/model/merge";
import type { PaintingDocument } from "@/model/painting";
import { tellTrouble } from "../trouble";
import { browserOutbox, type Outbox, type Unsent } from "./outbox";
import { refusalOf, sendSave } from "./autosave-queue";

export const outbox: Outbox = browserOutbox();

const lockOf = (writer: string): string => `abendrot-writer-${writer}`;

/** Holds a writer's lock until `end` is called: by it other windows see that whoever writes is still there. */
export function holdWriter(writer: string): () => void {
  let end = (): void => {};
  const held = new Promise<void>((resolve) => (end = resolve));
  void navigator.locks?.request(lockOf(writer), () => held);
  return end;
}

/** The server can't take it at present; it is tried again. */
class NotNow extends Error {}

/** Changes that were not stored, and why not. */
export interface LeftBehind {
  readonly unsent: Unsent;
  readonly message: string;
  readonly gone: boolean;
  /** What is stored now, when it was changed elsewhere. */
  readonly stored: { readonly revision: number } | null;
}

/**
 * Sends one change that a closed window left; null when it is stored now, else why it can't be. Throws when the server
 * doesn't answer.
 */
async function sendUnsent(unsent: Unsent): Promise<LeftBehind | null> {
  let response = await sendSave(unsent.url, unsent, unsent.document);
  if (response.status === 409) {
    const { message, stored } = await refusalOf(response);
    const merge = mergeAt(unsent.url);
    const merged =
      stored && merge ? merge({ base: unsent.base, mine: unsent.document, theirs: stored.document }) : { clashes: [] };
    if (!stored || "clashes" in merged) {
      const both =
        "clashes" in merged && merged.clashes.length > 0 ? ` Both changed: ${merged.clashes.join(", ")}.` : "";
      return { unsent, message: message + both, gone: false, stored: stored ?? null };
    }
    // Its own writer's steps go on: were the answer lost, the same would be sent again.
    response = await sendSave(
      unsent.url,
      { revision: stored.revision, writer: unsent.writer, step: unsent.step + 1 },
      merged.document,
    );
  }
  if (response.ok) {
    await outbox.drop(unsent.writer);
    return null;
  }
  const { message } = await refusalOf(response);
  if (response.status >= 500 || response.status === 401) throw new NotNow(message);
  return { unsent, message, gone: response.status === 404, stored: null };
}

/** What was found in the outbox: documents whose changes were stored now, and changes that could not be. */
export interface Delivered {
  readonly stored: readonly string[];
  readonly left: readonly LeftBehind[];
}

/** A page that has just been left may hold its lock for a moment longer. */
const LEAVING_MS = 1500;

/** A browser may have no locks, over plain http above all: then nobody tells which windows are still there. */
const locks = (): LockManager | undefined => navigator.locks;
/** There a save that has waited for so long is taken for one that was left. */
const LEFT_AFTER_MS = 60_000;

/** Which of those who left something behind may still be there. */
async function mayBeThere(): Promise<(unsent: Unsent) => boolean> {
  const held = locks() && new Set((await navigator.locks.query()).held?.map(({ name }) => name));
  return held ? ({ writer }) => held.has(lockOf(writer)) : ({ at }) => Date.now() - Number(at) < LEFT_AFTER_MS;
}

/** Whether a writer's window is there no more; one that may just be closing is waited for. */
async function isGone(writer: string): Promise<boolean> {
  if (!locks()) return false;
  return navigator.locks
    .request(lockOf(writer), { signal: AbortSignal.timeout(LEAVING_MS) }, () => true)
    .catch(() => false);
}

/**
 * Sends everything that windows left behind that are there no more. One window does it at a time.
 * @param concerned addresses of the documents that are to be shown: of these a window that is only just closing is
 *   waited for
 */
export async function deliverLeftBehind(concerned: readonly string[]): Promise<Delivered> {
  const stored: string[] = [];
  const left: LeftBehind[] = [];
  const deliver = async (): Promise<void> => {
    const isThere = await mayBeThere();
    for (const unsent of await outbox.all()) {
      if (isThere(unsent) && !(concerned.includes(unsent.url) && (await isGone(unsent.writer)))) continue;
      // What can't be sent now stays where it is for the next chance.
      const found = await sendUnsent(unsent).catch((error: unknown) => {
        // A server that does not answer is nothing new; anything else is a fault of ours, and told.
        if (!(error instanceof NotNow) && !(error instanceof TypeError))
          tellTrouble("What a closed window left could not be sent", error);
        return undefined;
      });
      if (found === null) stored.push(unsent.url);
      else if (found) left.push(found);
    }
  };
  await (locks()?.request("abendrot-outbox", deliver) ?? deliver());
  return { stored, left };
}

/** Puts what was left behind in place of what is stored; false when that did not succeed. */
export async function putInPlace({ unsent, stored }: LeftBehind): Promise<boolean> {
  const response = await sendSave(
    unsent.url,
    { revision: stored?.revision ?? unsent.revision, writer: unsent.writer, step: unsent.step + 1 },
    unsent.document,
  ).catch(() => null);
  if (response?.ok) await outbox.drop(unsent.writer);
  return response?.ok ?? false;
}

/** Keeps a painting's document as a painting of its own; the answer is its id, or words for the painter. */
export async function keepAsCopy(
  photoId: string,
  document: PaintingDocument,
): Promise<{ readonly id: string } | { readonly message: string }> {
  const response = await fetch("/api/paintings", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ photoId, document }),
  }).catch(() => null);
  if (!response) return { message: "No copy was made: Abendrot doesn't answer. Is it still running?" };
  if (!response.ok) return refusalOf(response);
  return (await response.json()) as { id: string };
}
