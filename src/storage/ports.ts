import type { Readable } from "node:stream";
import type { MeasuredOptics } from "@/core/mixing";
import type { Approach } from "@/core/palette";
import type { SheetKind } from "@/core/calibration";
import type { EyeAnswer } from "@/core/training";
import type { BackupManifest, CopyReason, DatedCopy, Holdings, PhotoSpace } from "@/model/backup";
import type { KeptLessons, LogEntry, StoredLogEntry } from "@/model/logbook";
import type { Measurement, NewCard, NewMeasurement, StoredFit, SwatchCard } from "@/model/measurement";
import type { PaintboxDocument, PaintEntry, TravelBox } from "@/model/paintbox";
import type { PaintingDocument, StoredRecipe } from "@/model/painting";
import type { SaveStamp } from "@/model/revision";
import type { MixedArea } from "@/model/next-swatches";
import type { ShelvedPainting } from "@/model/shelf";
import { NamedError } from "./named-error";

/** What is kept and how it is asked for, whatever keeps it. */
export interface Store extends Repositories {
  readonly photoFiles: PhotoFiles;
  readonly keeping: Keeping;
}

/** The records: paintings, paintbox, measurements, logbook. A method that writes does so whole or not at all. */
export interface Repositories {
  readonly paintings: Paintings;
  readonly paintbox: Paintbox;
  readonly photos: Photos;
  readonly measurements: Measurements;
  readonly cards: Cards;
  readonly logbook: Logbook;
  readonly eye: Eye;
  readonly settings: Settings;
  /** Does several things in one step: all of them are kept, or none. */
  transaction<T>(work: (within: Repositories) => Promise<T>): Promise<T>;
}

/** A line in the list of paintings. */
export interface PaintingTitle {
  readonly id: string;
  readonly title: string;
  readonly photoId: string;
}

/** A painting as the desk opens it. */
export interface StoredPainting {
  readonly id: string;
  readonly binned: boolean;
  readonly revision: number;
  readonly photo: PhotoRecord;
  readonly document: PaintingDocument;
}

/** A recipe that stands in a painting. */
export interface PaintingRecipe {
  readonly paintingId: string;
  readonly title: string;
  readonly area: string;
  readonly paperId: string;
  readonly recipe: StoredRecipe;
}

interface Paintings {
  /** All paintings that are neither in the bin nor put away with the demo, last changed first. */
  list(): Promise<PaintingTitle[]>;
  /** All paintings with how far they are, those in the bin too, last changed first. */
  shelf(): Promise<ShelvedPainting[]>;
  find(id: string): Promise<StoredPainting | null>;
  /** Creates a painting with all its parts, one's own or the demo's; returns its id. */
  create(photoId: string, document: PaintingDocument, demo?: boolean): Promise<string>;
  /** Replaces a painting's document; returns the stored revision. Throws RevisionConflict or PaintingNotFound. */
  save(id: string, stamp: SaveStamp, document: PaintingDocument): Promise<number>;
  /** Gives a painting another title, as a change of its own. Throws PaintingNotFound. */
  rename(id: string, title: string): Promise<void>;
  /** Puts a painting in the bin or takes it out again. Throws PaintingNotFound. */
  bin(id: string, binned: boolean): Promise<void>;
  /** Removes a painting with its areas and palette; its photo stays. */
  remove(id: string): Promise<void>;
  /** The recipes of all paintings, last changed painting first, at most so many. */
  recipes(most: number): Promise<PaintingRecipe[]>;
  /** Mixed areas of all paintings that lie here, those that count most, at most so many. */
  weightiestAreas(most: number): Promise<MixedArea[]>;
}

/** The paintbox as it is stored. */
export interface StoredPaintbox {
  readonly revision: number;
  readonly document: PaintboxDocument;
}

/** A paint with the optics measured of it; null for none. */
export interface StockedPaint extends PaintEntry {
  readonly measured: MeasuredOptics | null;
}

interface Paintbox {
  find(): Promise<StoredPaintbox>;
  /** The revision alone: it rises with every save. */
  revision(): Promise<number>;
  /** The boxes alone. */
  boxes(): Promise<TravelBox[]>;
  /** Whether any of the demo's paints lies here. */
  demoHere(): Promise<boolean>;
  /** All paints in paintbox order. */
  paints(): Promise<PaintEntry[]>;
  /** All paints as they are mixed from: with their own measured optics where there are any. */
  stockedPaints(): Promise<StockedPaint[]>;
  /** Replaces the paintbox; returns the stored revision. Throws RevisionConflict. */
  save(stamp: SaveStamp, document: PaintboxDocument): Promise<number>;
  /**
   * Replaces some of its paints; returns the stored revision. Throws RevisionConflict; WholeNeeded where what is stored
   * is not what they were changed from, though nobody else has written.
   */
  savePaints(stamp: SaveStamp, paints: readonly PaintEntry[]): Promise<number>;
}

/** What is known of a photo beside its files. Its id is its content: the SHA-256 of the original, in hex. */
export interface PhotoRecord {
  readonly id: string;
  readonly fileName: string;
  readonly format: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly workingWidthPx: number;
  readonly workingHeightPx: number;
  readonly bytes: number;
  readonly createdAt: Date;
}

export type NewPhoto = Omit<PhotoRecord, "createdAt">;

interface Photos {
  /** Records a photo; the same photo again is the same record, as new as the last time it was brought. */
  add(photo: NewPhoto): Promise<void>;
  find(id: string): Promise<PhotoRecord | null>;
  /** Photos brought before a moment that no painting, no measurement and no entry of the logbook uses. */
  unused(before: Date): Promise<string[]>;
  /** Removes a photo's record. Throws when something still uses it. */
  remove(id: string): Promise<void>;
}

interface Measurements {
  /** All measurements, newest first: by day, then by when they were kept. */
  list(): Promise<Measurement[]>;
  /** Keeps a measurement with its fit; returns its id. Throws UnknownMeasured. */
  add(measurement: NewMeasurement, fit: StoredFit): Promise<string>;
  /** Lets a measurement count or sets it aside; false when there is none with this id. */
  setCounts(id: string, counts: boolean): Promise<boolean>;
}

/** Other words whenever something has changed that the logbook teaches by: its pages; paints and their measurements. */
export interface BookStamp {
  readonly pages: string;
  readonly paints: string;
}

interface Logbook {
  /** All entries, newest day first, those in the bin too. */
  list(): Promise<readonly StoredLogEntry[]>;
  /** Which entries there are, in that order, each with a word that is another one once it has changed. */
  versions(): Promise<readonly { readonly id: string; readonly version: string }[]>;
  /** Some of them, in any order; those that are gone are missing. */
  some(ids: readonly string[]): Promise<StoredLogEntry[]>;
  find(id: string): Promise<StoredLogEntry | null>;
  /** Keeps a new entry; the same one sent again is kept once. Throws UnknownLogged when a photo of it is not there. */
  create(id: string, document: LogEntry, demo?: boolean): Promise<void>;
  /** Replaces an entry; returns the stored revision. Throws RevisionConflict, LogEntryNotFound or UnknownLogged. */
  save(id: string, stamp: SaveStamp, document: LogEntry): Promise<number>;
  /** Puts an entry in the bin or takes it out again. Throws LogEntryNotFound. */
  bin(id: string, binned: boolean): Promise<void>;
  /** Removes an entry for good; its photos stay. */
  remove(id: string): Promise<void>;
  stamp(): Promise<BookStamp>;
}

interface Eye {
  /** The latest answers, oldest first. */
  list(): Promise<EyeAnswer[]>;
  /** Keeps an answer; the same one sent again is kept once. */
  add(id: string, answer: Omit<EyeAnswer, "at">): Promise<void>;
}

interface Cards {
  /** All cards, the last one first. */
  list(): Promise<SwatchCard[]>;
  find(id: number): Promise<SwatchCard | null>;
  /** Records a card to be printed. Throws UnknownMeasured when one of its paints is not in the box. */
  add(card: NewCard, on: string): Promise<SwatchCard>;
}

interface Settings {
  /** The approach that new paintings start with: the painter's own, or ours. */
  ownApproach(): Promise<Approach>;
  keepApproach(approach: Approach): Promise<void>;
  /** The swatch card that the demo was laid out with, for which a painted photo is at hand; null for none. */
  demoSheet(kind: SheetKind): Promise<number | null>;
  keepDemoSheet(kind: SheetKind, id: number): Promise<void>;
  /** What the logbook taught when it was last learned; null for never. It can be learned anew at any time. */
  lessons(): Promise<KeptLessons | null>;
  keepLessons(lessons: KeptLessons): Promise<void>;
}

/**
 * Copies made from a photo's original: the one that is measured, one to be seen at once, one for going close, one for
 * lists.
 */
export type PhotoCopy = "working" | "view" | "close" | "small";

/** A photo's files: its original as it came, and copies of it. */
export interface PhotoFiles {
  /** Where a new upload is written; whoever takes the path removes what lies there. */
  arrivingPath(): Promise<string>;
  /**
   * Copies the original from `from`, byte for byte, and keeps the working copy beside it: written
   * aside, synced and moved into place whole. They count as unrecorded until `setRecorded`.
   */
  keep(id: string, format: string, from: string, working: Buffer): Promise<void>;
  /**
   * Copies an original alone from `from`, in place of one that is gone or damaged; its copies are made when they are
   * asked for. It counts as recorded.
   */
  keepOriginal(id: string, format: string, from: string): Promise<void>;
  /** Marks a photo's files as with or without a record: what lies without one is swept at a start. */
  setRecorded(id: string, recorded: boolean): Promise<void>;
  remove(id: string): Promise<void>;
  /** Everything that lies there and since when; what was broken off in the middle stands under a name of its own. */
  list(): Promise<
    readonly { readonly id: string; readonly recorded: boolean; readonly brokenOff: boolean; readonly since: Date }[]
  >;
  /** Where these files lie, as a key: two stores may hold the same photo. */
  readonly where: string;
  /** Path of a photo's original on this machine. */
  original(id: string, format: string): Promise<string>;
  /** Null when it has not been made yet. */
  readCopy(id: string, copy: PhotoCopy): Promise<Buffer<ArrayBuffer> | null>;
  /** Keeps a copy, whole or not at all. Throws NoRoom. */
  keepCopy(id: string, copy: PhotoCopy, bytes: Buffer): Promise<void>;
}

/** A whole store as one file, and back. */
export interface Keeping {
  /** What is the painter's own here: not the demo's. */
  holdings(): Promise<Holdings>;
  /** What photos weigh, and what of it would go with what lies in the bin. */
  photoSpace(): Promise<PhotoSpace>;
  /** Everything as one file. */
  backup(): Promise<BackupFile>;
  /** Reads a file through, to its last photo. Throws FileRefused. */
  check(path: string): Promise<BackupManifest>;
  /**
   * Puts a file's content in place of all that is here, whole or not at all, after a dated copy of that in the same
   * step: a save that was acknowledged stands in the copy. Throws FileRefused.
   */
  restore(path: string): Promise<void>;
  /** Whether a newer program has changed the tables since they were opened: nothing of them is read or written then. */
  outgrown(): Promise<boolean>;
  /** While it is true no save is taken: something is being put in place of all that is here. */
  beingReplaced(): boolean;
  readonly copies: Copies;
}

/** A file on its way out: its bytes, how many they will be where that is known, and what is in it. */
export interface BackupFile {
  readonly stream: Readable;
  readonly bytes: number | null;
  readonly manifest: BackupManifest;
}

/** Dated copies of the records, the last ten. */
export interface Copies {
  /** Those made last first. */
  list(): Promise<DatedCopy[]>;
  make(reason: CopyReason): Promise<void>;
  /** Makes today's if there is none yet and something has changed since the last one. */
  makeIfDue(): Promise<void>;
  /** Path of a copy; null when there is none of this name. */
  pathOf(name: string): Promise<string | null>;
}

/** The paint or the photo that a measurement names is not there. */
export class UnknownMeasured extends NamedError {
  static override readonly kind = "UnknownMeasured";
}

/** A photo that an entry of the logbook names is not there. */
export class UnknownLogged extends NamedError {
  static override readonly kind = "UnknownLogged";
}

/** There is no such entry in the logbook. */
export class LogEntryNotFound extends NamedError {
  static override readonly kind = "LogEntryNotFound";
}

/** There is no such painting. */
export class PaintingNotFound extends NamedError {
  static override readonly kind = "PaintingNotFound";
}

/** A part can't be stored upon what is there; the whole document can. */
export class WholeNeeded extends NamedError {
  static override readonly kind = "WholeNeeded";
}

/** What was to be saved has been changed elsewhere since it was read. */
export class RevisionConflict extends NamedError {
  static override readonly kind = "RevisionConflict";
}
