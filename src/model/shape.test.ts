import { createHash } from "node:crypto";
import { expect, test } from "vitest";
import { z } from "zod";
import { backupManifest } from "./backup";
import { entryInFile, logFile } from "./log-file";
import { newMeasurement } from "./measurement";
import { paintboxDocument } from "./paintbox";
import { paintingFile } from "./painting-file";
import { DATA_SHAPE } from "./shape";

/** Every document that is kept or written out, as JSON Schema; what a refinement looks at can't be seen in it. */
const shapeOf = (schema: z.ZodType): unknown =>
  z.toJSONSchema(schema, { unrepresentable: "any", io: "input", reused: "inline" });

test("what is kept has the shape that its number stands for", () => {
  const shapes = [paintingFile, paintboxDocument, entryInFile, logFile, newMeasurement, backupManifest].map(shapeOf);
  const digest = createHash("sha256").update(JSON.stringify(shapes)).digest("hex").slice(0, 16);
  // Another digest: a document has changed. Make a migration (of a comment alone, where no table changes), raise
  // DATA_SHAPE, and keep the rows of the program before it (src/testing/past-folder.ts).
  expect([DATA_SHAPE, digest]).toEqual([15, "3dd8dcd07e0467d1"]);
});
