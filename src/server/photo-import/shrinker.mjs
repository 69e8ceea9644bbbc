/**
 * Shrinks a picture in a process of its own, in the file's own colours: writes width and height (32
 * bits, little endian) and the pixels to its output. Run: shrinker.mjs FILE PX SPACE DEPTH [icc]
 */
import { endianness } from "node:os";
import { shrink } from "./shrink.mjs";

const [path, side, space, depth, icc] = process.argv.slice(2);
const { data, width, height } = await shrink(path, { side: Number(side), space, depth, keepProfile: icc === "icc" });
const head = Buffer.from(Uint32Array.of(width, height).buffer);
if (endianness() === "BE") head.swap32();
process.stdout.write(head);
process.stdout.write(data, () => process.exit(0));
