import { spaceHeaders } from "./present-space";
import { z } from "zod";
import type { Merged } from "@/model/merge";
import { MAX_COUNT } from "@/model/limits";
import type { SaveStamp } from "@/model/revision";
import type { Outbox, Unsent } from "./outbox";

/** How saving stands. */
export type SaveState =
  | { readonly state: "saved" }
  | { readonly state: "saving" }
  /** Tried again by itself: after a while, or once the document has changed. */
  | { readonly state: "failed"; readonly message: string }
  /** Changed elsewhere in the same places, or gone: the painter decides. */
  | { readonly state: "conflict"; readonly message: string; readonly gone: boolean };

const savedReply = z.object({ revision: z.number() });
const refusal = z.object({
  message: z.string(),
  stored: z.object({ revision: z.int(), document: z.unknown() }).optional(),
});
/** Changes within this time are saved together. */
const SETTLE_MS = 120;
const RETRY_MS = 3000;
/** The answer to a part that doesn't fit upon what is stored (RFC 9110: precondition failed). */
const WHOLE_NEEDED = 412;
/** A body that a closing page may still send (Fetch standard: 64 KiB for all such requests). */
const KEEPALIVE_BYTES = 60_000;

/** One way to ask for the storing of a document, used for what is being changed and for what was left unsent. */
export const sendSave = (url: string, stamp: SaveStamp, document: unknown, keepalive = false): Promise<Response> =>
  sendStamped(url, stamp, { document }, keepalive);

async function sendStamped(
  url: string,
  { revision, writer, step }: SaveStamp,
  what: object,
  keepalive: boolean,
): Promise<Response> {
  const body = JSON.stringify({ revision, writer, step, ...what });
  return fetch(url, {
    method: "PUT",
    keepalive: keepalive && body.length < KEEPALIVE_BYTES,
    headers: { ...spaceHeaders(), "content-type": "application/json" },
    body,
  });
}

export const refusalOf = async (response: Response): Promise<z.infer<typeof refusal>> =>
  refusal.catch({ message: "This could not be saved." }).parse(await response.json().catch(() => null));

export interface AutosaveOptions<Document> {
  readonly url: string;
  readonly revision: number;
  readonly read: () => Document;
  /** Puts a document in place of the present one, as a step that can be undone. */
  readonly replace: (document: Document) => void;
  readonly merge: (sides: { base: Document; mine: Document; theirs: Document }) => Merged<Document>;
  /** What is sent in place of a whole document that differs little from the stored one; null: the whole. */
  readonly part?: ((stored: Document, document: Document) => object | null) | undefined;
  readonly report: (state: SaveState) => void;
  readonly acknowledged: (url: string, revision: number) => void;
  /** Told when a save is on its way, and when it is no longer. */
  readonly sending: (url: string, onItsWay: boolean) => void;
  readonly outbox: Outbox;
  readonly title: () => string;
  readonly photoId: string | null;
  readonly now: () => number;
}

/**
 * Saves the document after every change, one request at a time, the newest document last. What is
 * not acknowledged lies in the browser's outbox from the moment it is changed. A change made
 * elsewhere meanwhile is merged where it touches other things; otherwise the painter is asked. What
 * is refused is tried again as soon as the document has changed, what fails after a while.
 */
export class AutosaveQueue<Document> {
  readonly writer = crypto.randomUUID();
  private step = 0;
  private revision: number;
  /** The stored document as far as is known. */
  private base: Document;
  private refused: Document | null = null;
  private waits: { readonly revision: number; readonly document: Document } | "gone" | null = null;
  private underWay: Promise<void> | null = null;
  private stopped = false;
  /** A document has been sent and no answer has come: undoing back to the one before is a change too. */
  private unsure = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Something was said to be saving and not yet said to be saved. */
  private pending = false;
  /** What the outbox holds of this window, and the number of the last time something was put there or dropped. */
  private kept: Document | null = null;
  private putting = 0;

  constructor(private readonly options: AutosaveOptions<Document>) {
    this.revision = options.revision;
    this.base = options.read();
  }

  /**
   * Something is to be sent, or it is not known whether the stored document is the one that was known: what was sent
   * may be stored though its answer never came.
   */
  get dirty(): boolean {
    return this.unsure || this.options.read() !== this.base;
  }

  /** Closing the window now would lose something: it is neither stored nor in the outbox. */
  get atRisk(): boolean {
    return this.dirty && this.kept !== this.options.read();
  }

  changed(): void {
    if (this.stopped) return;
    if (this.dirty) {
      this.pending = true;
      this.keep();
      if (this.waits) return;
      this.options.report({ state: "saving" });
      this.later(SETTLE_MS);
    } else if (this.pending && !this.waits) {
      // Undone back to what is stored: nothing is left to send.
      clearTimeout(this.timer);
      this.settled();
    }
  }

  /** Sends what has changed, after what is under way; with `leaving` it may outlive the page. */
  async save(leaving = false): Promise<void> {
    clearTimeout(this.timer);
    if (this.stopped || this.waits || !this.dirty || this.refused === this.options.read()) return;
    if (this.underWay && !leaving) return;
    this.underWay = this.send(leaving).finally(() => (this.underWay = null));
    await this.underWay;
  }

  /** Sends until nothing is left that could be sent now: what a room that closes waits for. */
  async finish(): Promise<void> {
    await this.underWay;
    for (let tries = 0; tries < 3 && this.dirty && !this.waits && !this.failing; tries++) await this.save();
    this.stop();
  }

  private failing = false;

  private unsent(): Unsent {
    const { url, title, photoId, now, read } = this.options;
    return {
      url,
      title: title(),
      at: now(),
      revision: this.revision,
      writer: this.writer,
      step: this.step,
      base: this.base,
      document: read(),
      photoId,
    };
  }

  private keep(): void {
    const document = this.options.read();
    if (this.kept === document) return;
    this.step = Math.min(MAX_COUNT, this.step + 1);
    // Without an outbox (a private window) the page asks before it is left.
    const own = ++this.putting;
    this.options.outbox.put(this.unsent()).then(
      () => {
        if (this.putting === own) this.kept = document;
      },
      () => {},
    );
  }

  private async send(leaving: boolean): Promise<void> {
    const document = this.options.read();
    const { url, part } = this.options;
    // A part fits upon what is known to be stored alone.
    const changed = this.unsure ? null : (part?.(this.base, document) ?? null);
    this.unsure = true;
    this.options.sending(url, true);
    try {
      const stamp = { revision: this.revision, writer: this.writer, step: this.step };
      let response = await sendStamped(url, stamp, changed ?? { document }, leaving);
      if (changed && response.status === WHOLE_NEEDED) response = await sendSave(url, stamp, document, leaving);
      if (response.ok) this.stored(savedReply.parse(await response.json()).revision, document);
      else await this.refusedBy(response, document);
    } catch {
      this.failed(
        "Not saved: Abendrot doesn't answer. Is it still running? It is kept in this browser and will be tried again.",
      );
    } finally {
      this.options.sending(this.options.url, false);
    }
  }

  private stored(revision: number, document: Document): void {
    this.revision = revision;
    this.base = document;
    this.unsure = false;
    this.failing = false;
    this.refused = null;
    this.options.acknowledged(this.options.url, revision);
    if (this.dirty) this.later(0);
    else this.settled();
  }

  private forget(): void {
    this.putting++;
    this.kept = null;
  }

  private settled(): void {
    this.pending = false;
    this.forget();
    this.options.outbox.drop(this.writer).catch(() => {});
    this.options.report({ state: "saved" });
  }

  private async refusedBy(response: Response, document: Document): Promise<void> {
    const { message, stored } = await refusalOf(response);
    if (response.status < 500) this.unsure = false;
    if (response.status === 409 && stored) this.clashed(stored.revision, stored.document as Document, message);
    else if (response.status === 404) this.decide("gone", message);
    // Not signed in any more: it is sent again, and stored once somebody is.
    else if (response.status < 500 && response.status !== 401) {
      this.refused = document;
      this.options.report({ state: "failed", message });
      if (this.options.read() !== document) this.later(SETTLE_MS);
    } else this.failed(message);
  }

  private failed(message: string): void {
    this.failing = true;
    this.options.report({ state: "failed", message });
    this.later(RETRY_MS);
  }

  /** Somebody else's document is stored: brought together with this one, or the painter is asked. */
  private clashed(revision: number, theirs: Document, message: string): void {
    const merged = this.options.merge({ base: this.base, mine: this.options.read(), theirs });
    if ("clashes" in merged)
      return this.decide({ revision, document: theirs }, `${message} Both changed: ${merged.clashes.join(", ")}.`);
    this.goOnFrom(revision, theirs, merged.document);
  }

  private goOnFrom(revision: number, theirs: Document, document: Document): void {
    this.revision = revision;
    this.base = theirs;
    this.forget();
    this.waits = null;
    this.options.replace(document);
    this.keep();
    this.options.report({ state: "saving" });
    this.later(0);
  }

  private decide(waits: NonNullable<typeof this.waits>, message: string): void {
    this.waits = waits;
    this.options.report({ state: "conflict", message, gone: waits === "gone" });
  }

  /** The painter's choice after a conflict: this window's document in place of the stored one. */
  takeMine(): void {
    if (this.waits && this.waits !== "gone")
      this.goOnFrom(this.waits.revision, this.waits.document, this.options.read());
  }

  /** Lets this window's changes go: nothing of them is kept or sent any more. */
  async letGo(): Promise<void> {
    this.stop();
    await this.options.outbox.drop(this.writer);
  }

  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
  }

  private later(milliseconds: number): void {
    if (this.stopped) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.save(), milliseconds);
  }
}
