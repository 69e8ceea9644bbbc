/// <reference lib="webworker" />
import { expose } from "comlink";
import { paperById } from "@/core/optics";
import { planPuddles } from "@/core/planning";
import { layerOfWash } from "./over-wash";
import { modelOf } from "./paint-message";
import type { PuddleApi } from "./puddle-api";

expose({
  puddles: ({ paperId, paints, targets, ...how }) =>
    planPuddles(
      targets.map(({ over, ...target }) => ({
        ...target,
        over: over === null || typeof over === "number" ? over : layerOfWash(over),
      })),
      paints.map(modelOf),
      paperById(paperId),
      how,
    ),
} satisfies PuddleApi);
