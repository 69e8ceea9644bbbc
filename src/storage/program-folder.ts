import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/**
 * Where the program lies: told by scripts/start.mjs, since a bundle no longer lies beside its sources; else found from
 * here.
 */
const program = (): string => process.env.ABENDROT_PROGRAM ?? join(dirname(fileURLToPath(import.meta.url)), "..", "..");

/** Absolute path of a file that the program ships, given from its root; wherever the process was started. */
export const programFile = (...path: readonly string[]): string => join(/* turbopackIgnore: true */ program(), ...path);
