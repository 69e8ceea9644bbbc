import { CARD_WATER, WASH_NAMES, type PatchKind } from "@/core/calibration";
import { waterWords, type WaterParts } from "@/core/optics";

/** One swatch to be measured without a photo: what it is and how it was mixed. */
export interface SwatchPlace {
  readonly what: PatchKind;
  readonly swatch: number;
  readonly waterParts: WaterParts;
}

const ACROSS = CARD_WATER.length - 1;

/**
 * The places of a card's row in the order in which a meter reads them: the sheet, the washes, then what lies at the
 * black line.
 */
export const USUAL_PLACES: readonly SwatchPlace[] = [
  { what: "bare paper", swatch: 0, waterParts: 0 },
  ...CARD_WATER.slice(0, ACROSS).map((waterParts, swatch): SwatchPlace => ({ what: "wash", swatch, waterParts })),
  { what: "across on paper", swatch: ACROSS, waterParts: CARD_WATER[ACROSS]! },
  { what: "across on line", swatch: ACROSS, waterParts: CARD_WATER[ACROSS]! },
  { what: "bare line", swatch: ACROSS, waterParts: CARD_WATER[ACROSS]! },
];

/** A place in a painter's words. */
export function placeWords({ what, swatch, waterParts }: SwatchPlace): string {
  if (what === "wash") return `${swatch + 1}  ${WASH_NAMES[swatch] ?? "wash"}, ${waterWords(waterParts)}`;
  if (what === "across on paper") return "5  beside the black line";
  if (what === "across on line") return "5  on the black line";
  return what;
}
