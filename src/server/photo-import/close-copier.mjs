/**
 * Makes a photo's copy for going close in a process of its own: upright, a JPEG whose bytes are
 * Display P3, its longer side at most so many pixels. "heic" decodes a HEIC file; "p3" takes its
 * bytes as they are. Run: close-copier.mjs FILE PX [heic] [p3]
 */
import sharp from "sharp";
import { decode } from "./heic-decode.mjs";

const [path, side, ...words] = process.argv.slice(2);
const px = Number(side);
let image = sharp(path, { limitInputPixels: 100_000_000, failOn: "truncated" })
  .autoOrient()
  .flatten({ background: "#ffffff" });
if (words.includes("heic")) {
  const { data, width, height } = await decode(path, px);
  image = sharp(data, { raw: { width, height, channels: 3 } });
}
image = image.resize({ width: px, height: px, fit: "inside", withoutEnlargement: true });
if (!words.includes("p3")) image = image.withIccProfile("p3");
const jpeg = await image.jpeg({ quality: 92, chromaSubsampling: "4:4:4" }).toBuffer();
process.stdout.write(jpeg, () => process.exit(0));
