import { z } from "zod";

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
export class Saver<Document> {
  private sent: Document;
  private busy = false;
  private stopped = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly url: string,
    private revision: number,
    private readonly read: () => Document,
    private readonly report: (state: SaveState) => void,
  ) {
    this.sent = read();
  }

  private failing = false;
  /** Something was said to be saving and not yet said to be saved. */
  private pending = false;

  private get dirty(): boolean {
    return this.read() !== this.sent;
  }

  /** Closing the window now would lose something. */
  get atRisk(): boolean {
    return this.failing && this.dirty;
  }

  changed(): void {
    if (this.stopped) return;
    if (this.dirty) {
      this.pending = true;
      this.report({ state: "saving" });
      this.later(SETTLE_MS);
    } else if (this.pending && !this.busy) {
      // Undone back to what is stored: nothing is left to send.
      this.pending = false;
      clearTimeout(this.timer);
      this.report({ state: "saved" });
    }
  }

  async save(keepalive = false): Promise<void> {
    clearTimeout(this.timer);
    if (this.busy || this.stopped || !this.dirty) return;
    this.busy = true;
    const document = this.read();
    try {
      const response = await fetch(this.url, {
        method: "PUT", keepalive, headers: { "content-type": "application/json" },
        body: JSON.stringify({ revision: this.revision, document }),
      });
      const body: unknown = await response.json().catch(() => null);
      if (response.ok) {
        this.revision = savedReply.parse(body).revision;
        this.sent = document;
        this.failing = false;
        if (this.dirty) this.later(0);
        else {
          this.pending = false;
          this.report({ state: "saved" });
        }
      } else {
        const { message } = refusal.catch({ message: "This could not be saved." }).parse(body);
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
