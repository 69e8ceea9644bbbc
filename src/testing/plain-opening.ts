import { HANDS, NO_TASTE } from "@/core/mixing";
import { DEFAULT_APPROACH, mixingUnder } from "@/core/palette";
import type { Opening } from "@/workers/palette-api";

/** A question to the palette worker under a usual approach: each pigment as a paint of its own, named like it. */
export const plainOpening = (pigmentIds: readonly string[], targets: Opening["targets"]): Opening => ({
  paperId: "cotton-rough",
  hand: HANDS.usual,
  mixing: mixingUnder(DEFAULT_APPROACH),
  paints: pigmentIds.map((id) => ({
    id,
    pigments: [{ pigmentId: id, share: 1 }],
    tintingStrength: 1,
    measured: null,
    strongest: 1,
    reluctance: 0,
    taste: NO_TASTE,
  })),
  targets,
});
