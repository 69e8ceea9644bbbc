import { flat, opticsOf, scatter, type Optics } from "../optics";
import { estimated, type Family, type PigmentRecord } from "../record";
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

/**
 * Ids that were given out once, by the pigment's present one. Paintboxes, backups and files that hold them lie with
 * painters: an id of the handbook that is changed gets a line here.
 */
const RENAMED: ReadonlyMap<string, string> = new Map([["PO48-gold", "PO49"]]);

/** The id that a pigment has now, where it was given out under another; any other id as it is. */
export const presentPigmentId = (id: string): string => RENAMED.get(id) ?? id;

/** Whether the handbook knows a pigment by this id, now or from before. */
export const isKnownPigment = (id: string): boolean => byId.has(presentPigmentId(id));

/** Nothing was aimed at. */
const UNRECALLED: PigmentRecord["recalled"] = [
  [0, 0, 0],
  [0, 0, 0],
  [0, 0, 0],
];

const unknownOnes = new Map<string, Pigment>();

/** Grey stands for a pigment that nobody knows: it is drawn, and never mixed from. */
function unknownPigment(id: string): Pigment {
  const before = unknownOnes.get(id);
  if (before) return before;
  const absorbers = [flat(1)];
  const scatterer = scatter(0.1, 0);
  const pigment: Pigment = {
    id,
    code: id.replace(/-.*$/, ""),
    name: "a pigment that the handbook does not know",
    family: "black",
    absorbers,
    scatterer,
    recalled: UNRECALLED,
    optics: opticsOf(absorbers, scatterer),
    transparency: "semi-transparent",
    granulation: 0,
    staining: 0.5,
    weight: 0,
    lightfastness: estimated(5),
    note: "A newer Abendrot may know it; measured from its own swatches it is mixed from all the same.",
  };
  unknownOnes.set(id, pigment);
  return pigment;
}

/**
 * The pigment with this handbook id, of now or of before. An id that nobody knows, as a newer Abendrot may have
 * written it, is answered with a grey stand-in: what is not known of one paint must keep no room shut. Whether it is
 * one is asked of {@link isKnownPigment}.
 */
export function pigmentById(id: string): Pigment {
  return byId.get(presentPigmentId(id)) ?? unknownPigment(id);
}
