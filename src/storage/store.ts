import { join } from "node:path";
import { keepingOf } from "./backup/keeping";
import type { Database } from "./drizzle/database";
import { addEyeAnswer, listEyeAnswers } from "./drizzle/eye";
import {
  binLogEntry,
  bookStamp,
  createLogEntry,
  findLogEntry,
  listLogEntries,
  removeLogEntry,
  saveLogEntry,
  logEntryVersions,
  someLogEntries,
} from "./drizzle/logbook";
import { addCard, addMeasurement, findCard, listCards, listMeasurements, setCounts } from "./drizzle/measurements";
import {
  findPaintbox,
  listBoxes,
  listPaints,
  listStockedPaints,
  paintboxRevision,
  savePaintbox,
  demoPaintsHere,
  savePaints,
} from "./drizzle/paintbox";
import {
  binPainting,
  createPainting,
  findPainting,
  listPaintings,
  listRecipes,
  weightiestAreas,
  removePainting,
  renamePainting,
  savePainting,
  shelvePaintings,
  type HowFar,
} from "./drizzle/paintings";
import { EMBEDDED, type Place } from "./drizzle/migrations";
import { addPhoto, findPhoto, listUnusedPhotos, removePhoto } from "./drizzle/photos";
import { demoSheet, keepApproach, keepDemoSheet, keepLessons, keptLessons, ownApproach } from "./drizzle/settings";
import { KeptRows } from "./drizzle/kept";
import { photoFilesIn } from "./folder/photo-files";
import type { StoredLogEntry } from "@/model/logbook";
import type { PhotoFiles, Repositories, Store, StoredPaintbox } from "./ports";

/** The records in a database that Drizzle speaks to: PGlite here, any PostgreSQL elsewhere. */
function repositoriesOn(db: Database): Repositories {
  const entries = new KeptRows<StoredLogEntry>();
  const far = new KeptRows<HowFar>();
  const box = new KeptRows<StoredPaintbox>();
  return {
    paintings: {
      list: () => listPaintings(db),
      shelf: () => shelvePaintings(db, far),
      find: (id) => findPainting(db, id),
      create: (photoId, document, demo) => createPainting(db, photoId, document, demo),
      save: (id, stamp, document) => savePainting(db, id, stamp, document),
      rename: (id, title) => renamePainting(db, id, title),
      bin: (id, binned) => binPainting(db, id, binned),
      remove: (id) => removePainting(db, id),
      recipes: (most) => listRecipes(db, most),
      weightiestAreas: (most) => weightiestAreas(db, most),
    },
    paintbox: {
      find: () => findPaintbox(db, box),
      revision: () => paintboxRevision(db),
      boxes: () => listBoxes(db),
      paints: () => listPaints(db),
      stockedPaints: () => listStockedPaints(db),
      save: (stamp, document) => savePaintbox(db, stamp, document),
      demoHere: () => demoPaintsHere(db),
      savePaints: (stamp, changed) => savePaints(db, stamp, changed),
    },
    photos: {
      add: (photo) => addPhoto(db, photo),
      find: (id) => findPhoto(db, id),
      unused: (before) => listUnusedPhotos(db, before),
      remove: (id) => removePhoto(db, id),
    },
    measurements: {
      list: () => listMeasurements(db),
      add: (measurement, fit) => addMeasurement(db, measurement, fit),
      setCounts: (id, counts) => setCounts(db, id, counts),
    },
    cards: {
      list: () => listCards(db),
      find: (id) => findCard(db, id),
      add: (card, on) => addCard(db, card, on),
    },
    logbook: {
      list: () => listLogEntries(db, entries),
      versions: () => logEntryVersions(db),
      some: (ids) => someLogEntries(db, ids),
      find: (id) => findLogEntry(db, id),
      create: (id, document, demo) => createLogEntry(db, id, document, demo),
      save: (id, stamp, document) => saveLogEntry(db, id, stamp, document),
      bin: (id, binned) => binLogEntry(db, id, binned),
      remove: (id) => removeLogEntry(db, id),
      stamp: () => bookStamp(db),
    },
    eye: {
      list: () => listEyeAnswers(db),
      add: (id, answer) => addEyeAnswer(db, id, answer),
    },
    settings: {
      ownApproach: () => ownApproach(db),
      keepApproach: (approach) => keepApproach(db, approach),
      demoSheet: (kind) => demoSheet(db, kind),
      keepDemoSheet: (kind, id) => keepDemoSheet(db, kind, id),
      lessons: () => keptLessons(db),
      keepLessons: (lessons) => keepLessons(db, lessons),
    },
    transaction: (work) => db.transaction((tx) => work(repositoriesOn(tx))),
  };
}

/** Folder of the dated copies in a data folder. */
export const copiesFolder = (folder: string): string => join(folder, "copies");

/** Records at a place in a database, photos' files and dated copies in a data folder. */
export function storeIn(
  db: Database,
  folder: string,
  place: Place = EMBEDDED,
  photoFiles: PhotoFiles = photoFilesIn(folder),
): Store {
  return { ...repositoriesOn(db), photoFiles, keeping: keepingOf(db, place, photoFiles, copiesFolder(folder)) };
}
