/** How much there can be of everything: one home, used by schemas, rooms, workers and doors alike. */
export const LIMITS = {
  /** Areas of a painting. */
  areas: 60,
  /** Paints in a painting's tray. */
  trayPaints: 40,
  /** Palettes kept beside the tray. */
  keptPalettes: 12,
  /** Pairs of points pinned on a photo. */
  pairs: 12,
  /** Warnings that the painter has overruled. */
  meant: 400,
  /** Washes of a plan, and what is noted of them at the easel. */
  washes: 600,
  sat: 1000,
  /** Paints of a paintbox, and boxes. */
  paints: 2000,
  boxes: 40,
  /** Entries of a logbook, and what one holds. */
  logEntries: 10_000,
  logMixes: 40,
  logPhotos: 12,
  /** Photos that a file of everything may hold. */
  photosInFile: 120_000,
  moods: 12,
  /** Pigments in one paint. */
  pigments: 8,
  /** Paints that a palette must hold. */
  must: 12,
  /** Lines of a table that is imported, and bytes. */
  importLines: 10_000,
  importBytes: 8 * 1024 * 1024,
  /** Bytes of an uploaded photo. */
  photoBytes: 300 * 1024 * 1024,
  /** Water parts to one part of paint. */
  waterParts: 200,
} as const;

/** Characters that texts may have, as people count them. */
export const LETTERS = {
  title: 120,
  areaName: 80,
  paletteName: 60,
  paintName: 80,
  boxName: 80,
  short: 40,
  currency: 8,
  notes: 2000,
  fileName: 200,
} as const;

/** Revisions and steps are kept as 32-bit integers. */
export const MAX_COUNT = 2 ** 31 - 2;
