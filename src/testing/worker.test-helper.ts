import { afterEach, beforeEach, vi } from "vitest";
import { WorkerLink, type Api } from "@/workers/worker-link";

/** A worker's other end, in this thread. */
export function workerOver(port: MessagePort): Worker {
  port.start();
  return Object.assign(port, { terminate: () => port.close(), onerror: null }) as unknown as Worker;
}

/** Loads a worker's module anew before each test, and asks it over a channel as a room would; `load` imports it. */
export function workerUnderTest<Own extends Api<Own>>(
  load: () => Promise<unknown>,
): { readonly ask: WorkerLink<Own>["ask"] } {
  let link: WorkerLink<Own>;
  beforeEach(async () => {
    const { port1, port2 } = new MessageChannel();
    for (const name of ["addEventListener", "removeEventListener", "postMessage"] as const)
      vi.stubGlobal(name, port1[name].bind(port1));
    port1.start();
    vi.resetModules();
    await load();
    link = new WorkerLink(() => workerOver(port2));
  });
  afterEach(() => {
    link.stop();
    vi.unstubAllGlobals();
  });
  return { ask: (question, ...args) => link.ask(question, ...args) };
}
