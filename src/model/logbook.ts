import { z } from "zod";
import { READ_BY, type Agreement, type LearnedBefore } from "@/core/learning";
import { type Hand, type MeasuredOptics } from "@/core/mixing";
import { day } from "./day";
import { LETTERS, LIMITS } from "./limits";
import { paintEntry, type PaintEntry } from "./paintbox";
import { paperId } from "./painting";
import { photoId } from "./photo-id";
import { saveRequest } from "./revision";
import { text } from "./text";

const finite = z.number().refine(Number.isFinite, "A number is missing.");
const lab = z.object({
  L: finite.gte(0, "L* lies between 0 and 100.").lte(100, "L* lies between 0 and 100."),
  a: finite.gte(-150, "a* lies between -150 and 150.").lte(150, "a* lies between -150 and 150."),
  b: finite.gte(-150, "b* lies between -150 and 150.").lte(150, "b* lies between -150 and 150."),
});
const share = finite.gte(0).lte(1);

/** What an entry is of. */
export const LOG_KINDS = ["ring", "mix", "swatch", "test", "pairs", "sitting", "finished", "note"] as const;
export type LogKind = (typeof LOG_KINDS)[number];

const parts = z
  .array(
    z.object({
      paintId: z.uuid(),
      parts: finite.gt(0, "Every part is above 0.").lte(100, "At most 100 parts."),
    }),
  )
  .max(3, "A mix has at most three paints.")
  .refine((list) => new Set(list.map(({ paintId }) => paintId)).size === list.length, "A paint stands in a mix once.");
const waterParts = finite.gte(0, "Water can't be negative.").lte(LIMITS.waterParts, "At most 200 parts of water.");

/** How the dried colour of a swatch came to be known, and where in which photo. */
const colourRead = z.object({
  lab,
  by: z.enum(READ_BY),
  photoId: photoId.nullable(),
  at: z.object({ x: share, y: share }).nullable(),
});

/** One swatch of an entry: what was mixed, what it was predicted to dry to, what it dried to. */
export const loggedMix = z.object({
  id: z.uuid(),
  name: text(LETTERS.areaName),
  parts,
  waterParts,
  /** The dried wash that it was laid over; null for bare paper. */
  over: z.object({ parts: parts.min(1), waterParts }).nullable(),
  read: colourRead.nullable(),
  /** Munsell value while it was wet. */
  wetValue: z
    .number("A value is a number from 0 to 10.")
    .gte(0, "A value is a number from 0 to 10.")
    .lte(10, "A value is a number from 0 to 10.")
    .nullable(),
  /** What was predicted when it was painted, after how many swatches, and under which model. */
  predicted: z
    .object({ lab: z.object({ L: finite, a: finite, b: finite }), swatches: z.int().gte(0), model: z.int().gte(0) })
    .nullable(),
  /** False: the painter has set it aside, nothing is learned from it. */
  counts: z.boolean(),
  /** The mix that it was varied from; null for one that stands for itself. */
  from: z.uuid().nullable(),
  /** A favourite of the day that it was painted on. */
  today: z.boolean(),
});
export type LoggedMix = z.infer<typeof loggedMix>;

/** A paint as it was when the entry was made: it may leave the paintbox, the entry stays readable. */
const loggedPaint = paintEntry.pick({ id: true, name: true, maker: true, pigments: true, tintingStrength: true });
export type LoggedPaint = z.infer<typeof loggedPaint>;

export const SEEN_MUCH = ["", "no", "a little", "much"] as const;
const much = z.enum(SEEN_MUCH);

/** What was seen of the washes. */
const seen = z.object({
  granulates: much,
  stains: much,
  lifts: much,
  blooms: much,
  flows: z.enum(["", "flows", "lies dead"]),
  separates: text(LETTERS.short),
});
export type Seen = z.infer<typeof seen>;
const NOTHING_SEEN: Seen = { granulates: "", stains: "", lifts: "", blooms: "", flows: "", separates: "" };

/** An entry of the logbook. */
export const logEntry = z.object({
  kind: z.enum(LOG_KINDS),
  title: text(LETTERS.title),
  on: day,
  paperId,
  paints: z.array(loggedPaint).max(LIMITS.trayPaints, `At most ${LIMITS.trayPaints} paints in an entry.`),
  mixes: z
    .array(loggedMix)
    .max(LIMITS.logMixes, `At most ${LIMITS.logMixes} swatches in an entry.`)
    .refine((list) => new Set(list.map(({ id }) => id)).size === list.length, "Two swatches have the same id."),
  photos: z
    .array(photoId)
    .max(LIMITS.logPhotos, `At most ${LIMITS.logPhotos} photos in an entry.`)
    .refine((list) => new Set(list).size === list.length, "A photo stands in an entry once."),
  seen,
  notes: text(LETTERS.notes),
  moods: z
    .array(text(LETTERS.short).min(1, "An empty mood word."))
    .max(LIMITS.moods, `At most ${LIMITS.moods} mood words.`),
  /** 0 for none, to 3. */
  stars: z.int().gte(0).lte(3),
  /** The painting that it served. */
  painting: z.object({ id: z.uuid(), title: text(LETTERS.title) }).nullable(),
});
export type LogEntry = z.infer<typeof logEntry>;

/** An entry as it is kept. */
export interface StoredLogEntry {
  readonly id: string;
  readonly revision: number;
  readonly document: LogEntry;
  readonly binned: boolean;
  readonly demo: boolean;
}

export const newLogEntryRequest = z.object({ id: z.uuid(), document: logEntry });
export const saveLogEntryRequest = saveRequest(logEntry);
export const logEntryChange = z.object({ binned: z.boolean() });

/** An entry with nothing known but what is given. */
export const newLogEntry = (entry: Pick<LogEntry, "kind" | "on" | "paperId"> & Partial<LogEntry>): LogEntry => ({
  title: "",
  paints: [],
  mixes: [],
  photos: [],
  seen: NOTHING_SEEN,
  notes: "",
  moods: [],
  stars: 0,
  painting: null,
  ...entry,
});

/** A swatch of which nothing is known but what is given. */
export const newLoggedMix = (mix: Pick<LoggedMix, "id"> & Partial<LoggedMix>): LoggedMix => ({
  name: "",
  parts: [],
  waterParts: 3,
  over: null,
  read: null,
  wetValue: null,
  predicted: null,
  counts: true,
  from: null,
  today: false,
  ...mix,
});

/** A paint of the box as an entry keeps it. */
export const loggedPaintOf = ({ id, name, maker, pigments, tintingStrength }: PaintEntry): LoggedPaint => ({
  id,
  name,
  maker,
  pigments,
  tintingStrength,
});

/**
 * The model that corrections are learned under: raised whenever the film, the handbook or the learning changes; the
 * book is then fitted anew from its readings, which stay as they were read.
 */
export const LEARNING_MODEL = 1;

/** A book's lessons as they were kept, and what they were learned from. */
export interface KeptLessons {
  /** Names all that the learning hangs on: a digest of the book, the labels and the model. */
  readonly from: string;
  readonly book: LearnedBook | null;
  /** What the next learning begins from; none in what was kept by an earlier version. */
  readonly left?: LeftToBeginFrom;
}

/** What was known when a book was learned, and of which labels: a few pages more leave most of it as it was. */
export interface LeftToBeginFrom extends LearnedBefore {
  readonly model: number;
  /** Of each paint its pigments and strength, as a key. */
  readonly labels: Readonly<Record<string, string>>;
}

/** What the book has taught, ready to be used. */
export interface LearnedBook {
  readonly model: number;
  /** Swatches that it was learned from. */
  readonly swatches: number;
  /** The day of the newest of them. */
  readonly newest: string | null;
  /** Optics by paint id, for paints that a swatch has. */
  readonly paints: Readonly<Record<string, MeasuredOptics>>;
  /** How much more pigment this painter's washes have than is meant, 1 for none; how unsure that is, a logarithm. */
  readonly habit: number;
  readonly habitUnsure: number;
  /** How much more of a wash a paper shows than the others, by its id. */
  readonly papers: Readonly<Record<string, number>>;
  readonly hand: Hand;
  /** How each swatch agrees with all others, by its id. */
  readonly agreements: Readonly<Record<string, Agreement>>;
}

/** What the paints of the box are mixed from once a book is learned: those measured, by id; habit, hand and papers. */
export interface TaughtAnswer {
  readonly measured: Readonly<Record<string, MeasuredOptics>>;
  readonly learned: LearnedBook | null;
}
