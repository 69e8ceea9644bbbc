import { parentPort } from "node:worker_threads";
import { expose } from "comlink";
import nodeEndpoint from "comlink/dist/esm/node-adapter.mjs";
import { paletteHelper } from "@/workers/palette-helper";

/** A helper of the palette worker on a thread of Node. */
expose(paletteHelper(), nodeEndpoint(parentPort!));
