/**
 * Renders the demo's reference photo, "The pump house at last light": a made-up scene, ray traced,
 * then exposed, vignetted and grained as a camera would. Run: npm run demo:photo [width]
 */
import { fileURLToPath } from "node:url";
import sharp from "sharp";
import { srgbOfLinear } from "@/core/colour/srgb";
import { unit, type Vec } from "./noise";
import { paintReeds } from "./reeds";
import { trace } from "./scene";

const width = Number(process.argv[2] ?? 2700);
const height = Math.round((width * 2) / 3);
const output = process.argv[3] ?? fileURLToPath(new URL("../../src/server/demo/pump-house.jpg", import.meta.url));
const SAMPLES: readonly (readonly [number, number])[] = [
  [0.19, 0.31],
  [0.69, 0.19],
  [0.31, 0.81],
  [0.81, 0.69],
];

const eye: Vec = [0, 2.05, 0];
const halfView = 0.53;
const tilt = 0.088;

const linear = new Float32Array(width * height * 3);
for (let y = 0; y < height; y++) {
  for (let x = 0; x < width; x++) {
    const at = 3 * (y * width + x);
    for (const [dx, dy] of SAMPLES) {
      const u = ((x + dx) / width - 0.5) * 2 * halfView;
      const v = (0.5 - (y + dy) / height) * 2 * halfView * (height / width);
      const light = trace(eye, unit([u + 0.02, v + tilt, 1]), 2);
      // A sensor's highlights saturate in each sample before they are averaged.
      for (let c = 0; c < 3; c++) linear[at + c]! += Math.min(2.2, light[c]!) / SAMPLES.length;
    }
  }
  if (y % 100 === 0) console.log(`row ${y} of ${height}`);
}
paintReeds({ width, height, data: linear });

let state = 123456789;
const random = (): number => {
  state ^= state << 13;
  state ^= state >>> 17;
  state ^= state << 5;
  return (state >>> 0) / 4294967296;
};
const normal = (): number => Math.sqrt(-2 * Math.log(random() + 1e-9)) * Math.cos(2 * Math.PI * random());
/** A camera's curve: shoulder for the lights, then a gentle S about middle grey. */
const tone = (x: number): number => {
  const exposed = 1.12 * x;
  const shoulder = (exposed * (1 + exposed / 6)) / (1 + exposed * 0.8);
  const encoded = srgbOfLinear(Math.min(1, shoulder));
  return encoded + 0.11 * Math.sin(2 * Math.PI * (encoded - 0.5)) * (encoded < 0.5 ? 0.8 : 1) * 0.75;
};
const SATURATION = 1.08;

const bytes = Buffer.alloc(width * height * 3);
for (let y = 0; y < height; y++) {
  for (let x = 0; x < width; x++) {
    const r2 = ((x / width - 0.5) ** 2 + ((y / height - 0.5) * (height / width)) ** 2) * 4;
    const vignette = 1 - 0.16 * r2;
    const shared = normal();
    const first = 3 * (y * width + x);
    const grey = 0.2126 * linear[first]! + 0.7152 * linear[first + 1]! + 0.0722 * linear[first + 2]!;
    for (let c = 0; c < 3; c++) {
      const at = first + c;
      const encoded = tone(Math.max(0, grey + SATURATION * (linear[at]! - grey)) * vignette);
      const grain = (0.011 * shared + 0.007 * normal()) * (1.15 - 0.7 * encoded);
      bytes[at] = Math.max(0, Math.min(255, Math.round(255 * (encoded + grain))));
    }
  }
}
await sharp(bytes, { raw: { width, height, channels: 3 } })
  .blur(0.45)
  .withIccProfile("srgb")
  .withExif({
    IFD0: {
      Make: "Abendrot demo",
      Model: "rendered scene",
      ImageDescription: "The pump house at last light",
      Orientation: "1",
    },
    IFD2: { DateTimeOriginal: "2026:10:17 18:02:11", FocalLength: "35/1" },
  })
  .jpeg({ quality: 88, chromaSubsampling: "4:4:4" })
  .toFile(output);
console.log(`wrote ${output}`);
