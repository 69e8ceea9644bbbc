import { opticsOf, type Optics } from "../optics";
import type { Family, PigmentRecord } from "../record";
import { BLACKS, WHITES } from "./blacks-and-whites";
import { BLUES } from "./blues";
import { EARTHS } from "./earths";
import { GREENS } from "./greens";
import { ORANGES, REDS } from "./oranges-and-reds";
import { VIOLETS } from "./violets";
import { YELLOWS } from "./yellows";

/** A pigment of the handbook with its typical optics at masstone load. */
export interface Pigment extends PigmentRecord {
  /** Colour Index generic name, e.g. "PB29". */
  readonly code: string;
  readonly family: Family;
  readonly optics: Optics;
}

const FAMILIES: readonly (readonly [Family, readonly PigmentRecord[]])[] = [
  ["yellow", YELLOWS],
  ["orange", ORANGES],
  ["red", REDS],
  ["violet", VIOLETS],
  ["blue", BLUES],
  ["green", GREENS],
  ["earth", EARTHS],
  ["black", BLACKS],
  ["white", WHITES],
];

/** Every pigment of the handbook, by family. Values are typical, not measured. */
export const HANDBOOK: readonly Pigment[] = FAMILIES.flatMap(([family, records]) =>
  records.map((record) => ({
    ...record,
    family,
    code: record.id.replace(/-.*$/, ""),
    optics: opticsOf(record.absorbers, record.scatterer),
  })),
);

const byId = new Map(HANDBOOK.map((pigment) => [pigment.id, pigment]));

/** The pigment with this handbook id. Throws a RangeError for an unknown id. */
export function pigmentById(id: string): Pigment {
  const pigment = byId.get(id);
  if (!pigment) throw new RangeError(`The handbook has no pigment "${id}".`);
  return pigment;
}
