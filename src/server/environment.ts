import { resolve } from "node:path";
import { z } from "zod";

const environment = z.object({
  ABENDROT_DATA: z.string().min(1).default("data"),
  NODE_ENV: z.string().optional(),
});

/** Absolute path of the data folder: ABENDROT_DATA, or `data` beside the program. */
export function dataFolder(): string {
  return resolve(environment.parse(process.env).ABENDROT_DATA);
}
