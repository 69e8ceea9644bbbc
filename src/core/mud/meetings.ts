import { COLOURED_CHROMA } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import type { Lab } from "../colour/colour";
import { chargePath, type Puddle } from "../mixing/charge";
import type { Paper } from "../optics/paper";

/** Two neighbouring washes whose meeting is duller than both. */
export interface MeetingMud {
  /** The dullest colour between them, when laid wet in wet. */
  readonly dullest: Lab;
  /** Chroma of the duller of the two, less that of the meeting, CIELAB. */
  readonly lost: number;
}

/** A meeting is mud when it keeps less than this of the duller one's chroma. From memory. */
const KEPT = 0.5;
/** Places on the way from one to the other that are looked at. */
const PLACES = 9;

/**
 * Whether two washes that are laid wet in wet run into a grey: both coloured, and the dullest place between them keeps
 * less than half of the duller one's chroma. Null where they don't.
 */
export function meetingMud(one: Puddle, two: Puddle, paper: Paper): MeetingMud | null {
  const path = chargePath(one, two, paper, PLACES).map((lab) => ({ lab, chroma: describeColour(lab).chroma }));
  const duller = Math.min(path[0]!.chroma, path[PLACES - 1]!.chroma);
  if (duller < COLOURED_CHROMA) return null;
  const dullest = path.reduce((best, place) => (place.chroma < best.chroma ? place : best));
  return dullest.chroma < KEPT * duller ? { dullest: dullest.lab, lost: duller - dullest.chroma } : null;
}
