import { sql } from "drizzle-orm";
import {
  boolean,
  check,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uuid,
} from "drizzle-orm/pg-core";
import type { PaintEntry, TravelBox } from "@/model/paintbox";
import type { SheetKind } from "@/core/calibration";
import { ANY_CHARACTER } from "@/core/mixing";
import { DEFAULT_APPROACH, type Approach } from "@/core/palette";
import { NEW_PLAN, type StoredPlan } from "@/model/plan";
import type { EyeKind } from "@/core/training";
import type { LogEntry } from "@/model/logbook";
import type { MeasuringWay, StoredFit, StoredPatch } from "@/model/measurement";
import {
  FLAT_WASH,
  NEW_STUDY,
  NO_RULES,
  type KeptPalette,
  type PaintingArea,
  type StoredRecipe,
  type StoredRules,
  type StoredWash,
  type Study,
} from "@/model/painting";

/** Something owned: its label facts. Its optics come from its pigments in the handbook. */
export const paints = pgTable(
  "paints",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    name: text("name").notNull(),
    maker: text("maker").notNull().default(""),
    line: text("line").notNull().default(""),
    /** 1 is typical; a paint with much filler has less. */
    tintingStrength: doublePrecision("tinting_strength").notNull().default(1),
    position: integer("position").notNull().default(0),
    createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
    status: text("status").$type<PaintEntry["status"]>().notNull().default("owned"),
    form: text("form").$type<PaintEntry["form"]>().notNull().default("tube"),
    sizeMl: doublePrecision("size_ml"),
    /** Share of the size that is left, 0 to 1. */
    left: doublePrecision("left_share"),
    price: doublePrecision("price"),
    currency: text("currency").notNull().default(""),
    boughtOn: date("bought_on", { mode: "string" }),
    openedOn: date("opened_on", { mode: "string" }),
    batch: text("batch").notNull().default(""),
    /** Another entry for the same paint, in another year or batch; it may have left the box. */
    sameAs: uuid("same_as"),
    label: jsonb("label")
      .$type<PaintEntry["label"]>()
      .notNull()
      .default({ transparency: "", staining: "", granulation: "", lightfastness: "" }),
    notes: text("notes").notNull().default(""),
    favourite: boolean("favourite").notNull().default(false),
    demo: boolean("demo").notNull().default(false),
  },
  (t) => [check("tinting_strength_positive", sql`${t.tintingStrength} > 0`)],
);

/** Which save is the stored one (model: SaveStamp), so that one sent twice is known again. */
const lastSave = () => ({ writer: uuid("writer"), step: integer("step").notNull().default(0) });

/** One row: the paintbox's revision rises with every save. */
export const paintbox = pgTable("paintbox", {
  id: integer("id").primaryKey().default(1),
  revision: integer("revision").notNull().default(0),
  boxes: jsonb("boxes").$type<TravelBox[]>().notNull().default([]),
  ...lastSave(),
});

/** The handbook pigments in a paint and their shares. */
export const paintPigments = pgTable(
  "paint_pigments",
  {
    paintId: uuid("paint_id")
      .notNull()
      .references(() => paints.id, { onDelete: "cascade" }),
    pigmentId: text("pigment_id").notNull(),
    share: doublePrecision("share").notNull(),
    position: integer("position").notNull(),
  },
  (t) => [primaryKey({ columns: [t.paintId, t.position] }), check("share_positive", sql`${t.share} > 0`)],
);

/** A reference photo; its files lie in the data folder under its id, the SHA-256 of the original. */
export const photos = pgTable("photos", {
  id: text("id").primaryKey(),
  fileName: text("file_name").notNull(),
  format: text("format").notNull(),
  widthPx: integer("width_px").notNull(),
  heightPx: integer("height_px").notNull(),
  workingWidthPx: integer("working_width_px").notNull(),
  workingHeightPx: integer("working_height_px").notNull(),
  bytes: integer("bytes").notNull(),
  createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
});

/** One planned work. `revision` rises with every save, so that two windows can't overwrite each other. */
export const paintings = pgTable(
  "paintings",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    title: text("title").notNull(),
    paperId: text("paper_id").notNull(),
    photoId: text("photo_id")
      .notNull()
      .references(() => photos.id),
    revision: integer("revision").notNull().default(0),
    study: jsonb("study").$type<Study>().notNull().default(NEW_STUDY),
    approach: jsonb("approach").$type<Approach>().notNull().default(DEFAULT_APPROACH),
    rules: jsonb("rules").$type<StoredRules>().notNull().default(NO_RULES),
    plan: jsonb("plan").$type<StoredPlan>().notNull().default(NEW_PLAN),
    palettes: jsonb("palettes").$type<KeptPalette[]>().notNull().default([]),
    /** When it was put in the bin; null while it is not there. */
    binnedAt: timestamp("binned_at", { withTimezone: true }),
    /** The demo's, not the painter's own: it is put away with the demo's paints. */
    demo: boolean("demo").notNull().default(false),
    ...lastSave(),
    createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
    updatedAt: timestamp("updated_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("paintings_updated").on(t.updatedAt)],
);

/**
 * A region of the photo painted as one thing, known by its id within its painting. Lengths are shares of the photo's
 * width.
 */
export const areas = pgTable(
  "areas",
  {
    id: uuid("id").notNull(),
    paintingId: uuid("painting_id")
      .notNull()
      .references(() => paintings.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    name: text("name").notNull(),
    sampleX: doublePrecision("sample_x").notNull(),
    sampleY: doublePrecision("sample_y").notNull(),
    sampleRadius: doublePrecision("sample_radius").notNull(),
    labL: doublePrecision("lab_l").notNull(),
    labA: doublePrecision("lab_a").notNull(),
    labB: doublePrecision("lab_b").notNull(),
    recipe: jsonb("recipe").$type<StoredRecipe>(),
    wash: jsonb("wash").$type<StoredWash>().notNull().default(FLAT_WASH),
    /** Label on the map in the painting's study. */
    region: integer("region"),
    plane: text("plane").$type<PaintingArea["plane"]>(),
    light: text("light").$type<PaintingArea["light"]>(),
    edge: text("edge").$type<PaintingArea["edge"]>(),
    weight: doublePrecision("weight").$type<PaintingArea["weight"]>().notNull().default(1),
    wish: jsonb("wish").$type<PaintingArea["wish"]>(),
    character: jsonb("character").$type<PaintingArea["character"]>().notNull().default(ANY_CHARACTER),
  },
  (t) => [primaryKey({ columns: [t.paintingId, t.id] })],
);

/** The palette: the paints laid out for one painting, in tray order. */
export const palettePaints = pgTable(
  "palette_paints",
  {
    paintingId: uuid("painting_id")
      .notNull()
      .references(() => paintings.id, { onDelete: "cascade" }),
    paintId: uuid("paint_id")
      .notNull()
      .references(() => paints.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
  },
  (t) => [primaryKey({ columns: [t.paintingId, t.paintId] })],
);

/** What the painter set for all paintings to come, one row a setting. */
export const settings = pgTable("settings", { key: text("key").primaryKey(), value: jsonb("value").notNull() });

/** A sheet printed for swatches: which paint goes where. */
export const swatchCards = pgTable("swatch_cards", {
  id: integer("id").primaryKey().generatedAlwaysAsIdentity(),
  kind: text("kind").$type<SheetKind>().notNull().default("card"),
  paints: jsonb("paints").$type<string[]>().notNull(),
  paperId: text("paper_id").notNull(),
  on: date("made_on", { mode: "string" }).notNull(),
});

/** What was measured of a paint on one day. It outlives the paint's entry, so that undo brings back all of it. */
export const measurements = pgTable(
  "measurements",
  {
    id: uuid("id").primaryKey().defaultRandom(),
    paintId: uuid("paint_id").notNull(),
    on: date("measured_on", { mode: "string" }).notNull(),
    way: text("way").$type<MeasuringWay>().notNull(),
    paperId: text("paper_id").notNull(),
    photoId: text("photo_id").references(() => photos.id),
    cardId: integer("card_id"),
    patches: jsonb("patches").$type<StoredPatch[]>().notNull(),
    fit: jsonb("fit").$type<StoredFit>().notNull(),
    /** False: set aside, an older one counts. */
    counts: boolean("counts").notNull().default(true),
    createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("measurements_paint").on(t.paintId, t.on)],
);

/** An entry of the logbook. Its paints may have left the paintbox and its painting the shelf: it outlives both. */
export const logEntries = pgTable(
  "log_entries",
  {
    id: uuid("id").primaryKey(),
    on: date("logged_on", { mode: "string" }).notNull(),
    document: jsonb("document").$type<LogEntry>().notNull(),
    revision: integer("revision").notNull().default(0),
    binnedAt: timestamp("binned_at", { withTimezone: true }),
    demo: boolean("demo").notNull().default(false),
    ...lastSave(),
    createdAt: timestamp("created_at", { withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [index("log_entries_on").on(t.on)],
);

/** The photos that an entry shows: they are kept as long as it is. */
export const logPhotos = pgTable(
  "log_photos",
  {
    entryId: uuid("entry_id")
      .notNull()
      .references(() => logEntries.id, { onDelete: "cascade" }),
    photoId: text("photo_id")
      .notNull()
      .references(() => photos.id),
  },
  (t) => [primaryKey({ columns: [t.entryId, t.photoId] })],
);

/** An answer that trained the eye. */
export const eyeAnswers = pgTable(
  "eye_answers",
  {
    id: uuid("id").primaryKey(),
    at: timestamp("answered_at", { withTimezone: true }).notNull().defaultNow(),
    kind: text("kind").$type<EyeKind>().notNull(),
    bucket: text("bucket").notNull(),
    error: doublePrecision("error").notNull(),
  },
  (t) => [index("eye_answers_at").on(t.at)],
);
