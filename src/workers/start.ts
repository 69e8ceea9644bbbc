import type { CardApi } from "./card-api";
import type { ImportApi } from "./import-api";
import type { MatchApi } from "./match-api";
import type { PaletteApi } from "./palette-api";
import type { HelpersArrive } from "./palette-crew";
import type { PhotoApi } from "./photo-api";
import type { PuddleApi } from "./puddle-api";
import type { ReachApi } from "./reach-api";
import { WorkerLink } from "./worker-link";

// Each address is written out: the bundler finds a worker's file by this very form.
export const cardWorker = (): WorkerLink<CardApi> =>
  new WorkerLink(() => new Worker(new URL("./card.worker.ts", import.meta.url), { type: "module" }));
export const importWorker = (): WorkerLink<ImportApi> =>
  new WorkerLink(() => new Worker(new URL("./import.worker.ts", import.meta.url), { type: "module" }));
export const matchWorker = (): WorkerLink<MatchApi> =>
  new WorkerLink(() => new Worker(new URL("./match.worker.ts", import.meta.url), { type: "module" }));
/** Most helpers of the palette worker: more cores are left to the photo and to other programs. */
const MOST_HELPERS = 3;

/** The palette worker and its helpers, one for each further core. */
export const paletteWorker = (): WorkerLink<PaletteApi> =>
  new WorkerLink(() => {
    const worker = new Worker(new URL("./palette.worker.ts", import.meta.url), { type: "module" });
    const count = Math.max(0, Math.min(MOST_HELPERS, navigator.hardwareConcurrency - 1));
    const helpers = Array.from(
      { length: count },
      () => new Worker(new URL("./palette-helper.worker.ts", import.meta.url), { type: "module" }),
    );
    const channels = helpers.map(() => new MessageChannel());
    helpers.forEach((helper, i) => helper.postMessage({ port: channels[i]!.port1 }, [channels[i]!.port1]));
    const ports = channels.map(({ port2 }) => port2);
    worker.postMessage({ helpers: ports } satisfies HelpersArrive, ports);
    return [worker, ...helpers];
  });
export const photoWorker = (): WorkerLink<PhotoApi> =>
  new WorkerLink(() => new Worker(new URL("./photo.worker.ts", import.meta.url), { type: "module" }));
export const puddleWorker = (): WorkerLink<PuddleApi> =>
  new WorkerLink(() => new Worker(new URL("./puddle.worker.ts", import.meta.url), { type: "module" }));
export const reachWorker = (): WorkerLink<ReachApi> =>
  new WorkerLink(() => new Worker(new URL("./reach.worker.ts", import.meta.url), { type: "module" }));
