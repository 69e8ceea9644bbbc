/**
 * Decodes one HEIC file in a process of its own. Writes four numbers (width, height, and those of
 * the whole picture, 32 bits little endian) and the pixels, three bytes each, to its output.
 * Run: heic-decoder.mjs FILE PX
 */
import { endianness } from "node:os";
import { decode } from "./heic-decode.mjs";

const { data, width, height, fullWidth, fullHeight } = await decode(process.argv[2], Number(process.argv[3]));
const head = Buffer.from(Uint32Array.of(width, height, fullWidth, fullHeight).buffer);
if (endianness() === "BE") head.swap32();
process.stdout.write(head);
process.stdout.write(data, () => process.exit(0));
