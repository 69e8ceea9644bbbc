"use client";

import type { CardRead, SheetRefusal } from "@/core/calibration";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import type { CardApi, CardWishes } from "@/workers/card-api";
import { cardWorker } from "@/workers/start";
import { WorkerStopped } from "@/workers/worker-link";

/** Reads cards in a worker: one photo lies open in it, and reading another one opens that. */
export class CardReader {
  private readonly worker = cardWorker();
  private openId: string | null = null;
  private last: Promise<unknown> = Promise.resolve();
  private readonly newest = new Map<string, number>();
  private asked = 0;

  /**
   * Reads a stored photo of a card, after whatever is being read; rejects when the same photo has meanwhile been asked
   * for otherwise.
   */
  read(photoId: string, wishes: CardWishes): Promise<CardRead | { readonly refused: SheetRefusal }> {
    const own = ++this.asked;
    this.newest.set(photoId, own);
    const turn = this.last.then(async () => {
      if (this.newest.get(photoId) !== own) throw new WorkerStopped("Overtaken.");
      if (this.openId !== photoId) {
        await this.worker.ask("open", photoId, await decodeWorkingCopy(photoId));
        this.openId = photoId;
      }
      return this.worker.ask("read", photoId, wishes);
    });
    this.last = turn.catch(() => {});
    return turn;
  }

  /** Takes what the camera made of its colours out of a sheet's patches, and compares how its paints granulate. */
  together(...question: Parameters<CardApi["together"]>): Promise<ReturnType<CardApi["together"]>> {
    return this.worker.ask("together", ...question);
  }

  fit(...question: Parameters<CardApi["fit"]>): Promise<ReturnType<CardApi["fit"]>> {
    return this.worker.ask("fit", ...question);
  }

  stop(): void {
    this.openId = null;
    this.worker.stop();
  }
}
