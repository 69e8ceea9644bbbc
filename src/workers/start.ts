import type { CardApi } from "./card-api";
import type { ImportApi } from "./import-api";
import type { MatchApi } from "./match-api";
import type { PaletteApi } from "./palette-api";
import type { PhotoApi } from "./photo-api";
import type { ReachApi } from "./reach-api";
import { WorkerLink } from "./worker-link";

// Each address is written out: the bundler finds a worker's file by this very form.
export const cardWorker = (): WorkerLink<CardApi> =>
  new WorkerLink(() => new Worker(new URL("./card.worker.ts", import.meta.url), { type: "module" }));
export const importWorker = (): WorkerLink<ImportApi> =>
  new WorkerLink(() => new Worker(new URL("./import.worker.ts", import.meta.url), { type: "module" }));
export const matchWorker = (): WorkerLink<MatchApi> =>
  new WorkerLink(() => new Worker(new URL("./match.worker.ts", import.meta.url), { type: "module" }));
export const paletteWorker = (): WorkerLink<PaletteApi> =>
  new WorkerLink(() => new Worker(new URL("./palette.worker.ts", import.meta.url), { type: "module" }));
export const photoWorker = (): WorkerLink<PhotoApi> =>
  new WorkerLink(() => new Worker(new URL("./photo.worker.ts", import.meta.url), { type: "module" }));
export const reachWorker = (): WorkerLink<ReachApi> =>
  new WorkerLink(() => new Worker(new URL("./reach.worker.ts", import.meta.url), { type: "module" }));
