import { afterEach, beforeEach, vi } from "vitest";

/** A worker's module with a stand-in for its own global: loaded anew for each test. */
export interface WorkerUnderTest<Request, Reply> {
  /** What it has said so far. */
  readonly replies: () => readonly Reply[];
  readonly ask: (request: Request) => void;
}

/** Loads a worker's module before each test; `load` imports it. */
export function workerUnderTest<Request, Reply>(load: () => Promise<unknown>): WorkerUnderTest<Request, Reply> {
  let replies: Reply[] = [];
  const worker: { onmessage: ((event: { data: Request }) => void) | null; postMessage: (reply: Reply) => void } = { onmessage: null, postMessage: (reply) => replies.push(reply) };
  beforeEach(async () => {
    replies = [];
    worker.onmessage = null;
    vi.stubGlobal("self", worker);
    vi.resetModules();
    await load();
  });
  afterEach(() => vi.unstubAllGlobals());
  return { replies: () => replies, ask: (data) => worker.onmessage?.({ data }) };
}
