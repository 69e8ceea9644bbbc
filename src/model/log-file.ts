import { z } from "zod";
import { logTable, writeCgats, type LogRow } from "@/core/formats";
import { paperById } from "@/core/optics";
import { pigmentById } from "@/core/pigments";
import { LETTERS, LIMITS } from "./limits";
import { logEntry, type LogEntry, type StoredLogEntry } from "./logbook";
import { leastShape } from "./shape";
import { photoId } from "./photo-id";
import { text } from "./text";

/** What stands in a logbook's file beside its photos. */
export const LOG_FILE = { format: "abendrot logbook", version: 1, json: "logbook.json" } as const;

const photoInFile = z.object({
  id: photoId,
  fileName: text(LETTERS.fileName),
  /** Where it stands in the file. */
  path: z.string().max(200),
});

/** An entry as it stands in the file. */
export const entryInFile = z.object({ id: z.uuid(), binned: z.boolean(), document: logEntry });
export type EntryInFile = z.infer<typeof entryInFile>;

/** A whole logbook as open data, but for its entries, which are read one by one. */
export const logFile = z.object({
  format: z.literal(LOG_FILE.format, "This is not a logbook's file."),
  version: z.literal(LOG_FILE.version, "This logbook's file is of a newer Abendrot."),
  least: leastShape("This logbook's file is of a newer Abendrot."),
  photos: z.array(photoInFile).max(LIMITS.photosInFile),
  /** Photos whose originals were gone when the file was made. */
  lost: z.array(photoId).max(LIMITS.photosInFile).default([]),
});
export type LogFile = z.infer<typeof logFile> & { readonly entries: readonly EntryInFile[] };

/**
 * What became of a logbook's file: entries that came in, that stood there alike, that stand there otherwise; and photos
 * that the file says had been gone where it was made.
 */
export interface LogFileTaken {
  readonly lost: number;
  readonly added: number;
  readonly same: number;
  readonly kept: number;
}

const mixWords = (parts: LogEntry["mixes"][number]["parts"], { paints }: LogEntry): LogRow["parts"] =>
  parts.map(({ paintId, parts: amount }) => {
    const paint = paints.find(({ id }) => id === paintId);
    return {
      name: paint?.name ?? "a paint that is gone",
      codes: paint?.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ") ?? "",
      parts: amount,
    };
  });

/** All swatches of a book as a table. */
export const swatchesTable = (entries: readonly Pick<StoredLogEntry, "document">[]): string =>
  logTable(
    entries.flatMap(({ document }) =>
      document.mixes.map((mix): LogRow => ({
        on: document.on,
        entry: document.title,
        paper: paperById(document.paperId).name,
        name: mix.name,
        parts: mixWords(mix.parts, document),
        waterParts: mix.waterParts,
        over: mix.over
          ? mixWords(mix.over.parts, document)
              .map((part) => `${part.parts} ${part.name}`)
              .join(" + ")
          : "",
        read: mix.read,
        wetValue: mix.wetValue,
        counts: mix.counts,
      })),
    ),
  );

/** The colours that were read of a book's swatches, as CGATS; values alone are no colours. */
export function readingsFile(entries: readonly Pick<StoredLogEntry, "document">[]): string {
  const colours = entries.flatMap(({ document }) =>
    document.mixes.flatMap(({ read, parts, waterParts, name }) =>
      read && read.by !== "value"
        ? [
            {
              lab: read.lab,
              name: [
                document.on,
                name,
                mixWords(parts, document)
                  .map((part) => `${part.parts} ${part.name} ${part.codes}`)
                  .join(" + "),
                `water ${waterParts}`,
              ]
                .filter(Boolean)
                .join(", "),
            },
          ]
        : [],
    ),
  );
  return writeCgats(colours, { DESCRIPTOR: "Swatches of a logbook" });
}
