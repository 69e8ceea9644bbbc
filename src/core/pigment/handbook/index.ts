import { opticsOf, type Optics } from "../optics";
import type { PigmentRecord } from "../record";
import { BLACKS_AND_WHITES } from "./blacks-and-whites";
import { BLUES } from "./blues";
import { EARTHS } from "./earths";
import { GREENS } from "./greens";
import { REDS } from "./reds";
import { VIOLETS } from "./violets";
import { YELLOWS } from "./yellows";

/** A pigment of the handbook with its typical optics at masstone load. */
export interface Pigment extends PigmentRecord {
  readonly optics: Optics;
}

/** Every pigment of the handbook, by family. Values are typical, not measured. */
export const HANDBOOK: readonly Pigment[] = [
  ...YELLOWS, ...REDS, ...VIOLETS, ...BLUES, ...GREENS, ...EARTHS, ...BLACKS_AND_WHITES,
].map((record) => ({ ...record, optics: opticsOf(record.absorbers, record.scatterer) }));

const byId = new Map(HANDBOOK.map((pigment) => [pigment.id, pigment]));

/** The pigment with this handbook id. Throws a RangeError for an unknown id. */
export function pigmentById(id: string): Pigment {
  const pigment = byId.get(id);
  if (!pigment) throw new RangeError(`The handbook has no pigment "${id}".`);
  return pigment;
}
