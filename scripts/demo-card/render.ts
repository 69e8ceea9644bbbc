/** Photographs the demo's swatch card on the simulated bench: public/demo/swatch-card.jpg. Run: npm run demo:card */
import { mkdirSync } from "node:fs";
import sharp from "sharp";
import { CARD_LOADS } from "@/core/calibration/washes";
import { seededRandom } from "@/core/numeric/random";
import { cameraOver } from "@/testing/card-photographs/camera";
import { benchRow, benchSheet, photographCard } from "@/testing/card-photographs/card-photo";
import { normalFrom } from "@/core/numeric/normal";
import { trueBlack, trueSheet } from "@/core/simulation/true-film";
import { truePaint } from "@/core/simulation/true-paint";
import { DEMO_CARD, DEMO_PAINTS } from "@/server/demo/paintbox";

const [WIDTH_PX, HEIGHT_PX] = [1500, 2000];
const random = seededRandom(41);
const normal = normalFrom(random);
const sheet = trueSheet(random);
const painted = DEMO_CARD.map((name) => {
  const { pigments, tintingStrength } = DEMO_PAINTS.find((paint) => paint.name === name)!;
  return {
    paint: truePaint(pigments, random, tintingStrength),
    loads: CARD_LOADS.map((load) => load * Math.exp(0.12 * normal())),
  };
});
const camera = cameraOver(WIDTH_PX, HEIGHT_PX, { moderate: 0.8 }, random);
const black = trueBlack(random, sheet);
const rows = painted.map(({ paint, loads }) => benchRow(sheet, black, paint, loads));
const pixels = photographCard(
  { ...benchSheet(sheet, black), rows, number: 1, bloom: { row: 1, swatch: 2 }, seed: 41 },
  camera,
  random,
);
mkdirSync("public/demo", { recursive: true });
await sharp(pixels, { raw: { width: WIDTH_PX, height: HEIGHT_PX, channels: 4 } })
  .removeAlpha()
  .jpeg({ quality: 86 })
  .toFile("public/demo/swatch-card.jpg");
