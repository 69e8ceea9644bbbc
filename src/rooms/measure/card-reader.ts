"use client";

import { decodeWorkingCopy } from "@/ui/decode-photo";
import { AskedWorker, WorkerStopped } from "@/ui/asked-worker";
import type { CardAnswers, CardReply, CardRequest } from "@/workers/card-messages";

type Wishes = Omit<Extract<CardRequest, { kind: "read" }>, "kind" | "job" | "photoId">;

/** Reads cards in a worker: one photo lies open in it, and reading another one opens that. */
export class CardReader {
  private readonly worker = new AskedWorker<CardRequest, CardAnswers, Extract<CardReply, { kind: never }>>(
    () => new Worker(new URL("../../workers/card.worker.ts", import.meta.url), { type: "module" }),
  );
  private openId: string | null = null;
  private last: Promise<unknown> = Promise.resolve();
  private readonly newest = new Map<string, number>();
  private asked = 0;

  /** Reads a stored photo of a card, after whatever is being read; rejects when the same photo has meanwhile been asked for otherwise. */
  read(photoId: string, wishes: Wishes): Promise<CardAnswers["read"]> {
    const own = ++this.asked;
    this.newest.set(photoId, own);
    const turn = this.last.then(async () => {
      if (this.newest.get(photoId) !== own) throw new WorkerStopped("Overtaken.");
      if (this.openId !== photoId) {
        const { data, width, height } = await decodeWorkingCopy(photoId);
        await this.worker.ask("open", { photoId, data, width, height });
        this.openId = photoId;
      }
      return this.worker.ask("read", { photoId, ...wishes });
    });
    this.last = turn.catch(() => {});
    return turn;
  }

  /** Takes the camera's mixing of its channels out of a card's patches. */
  camera(question: Omit<Extract<CardRequest, { kind: "camera" }>, "kind" | "job">): Promise<CardAnswers["camera"]> {
    return this.worker.ask("camera", question);
  }

  fit(question: Omit<Extract<CardRequest, { kind: "fit" }>, "kind" | "job">): Promise<CardAnswers["fit"]> {
    return this.worker.ask("fit", question);
  }

  stop(): void {
    this.openId = null;
    this.worker.stop();
  }
}
