/** Photographs the demo's swatch card and box sheet on the simulated bench, into public/demo. Run: npm run demo:card */
import { mkdirSync } from "node:fs";
import sharp from "sharp";
import { SHEETS } from "@/core/calibration/card/sheets";
import { CARD_LOADS } from "@/core/calibration/washes";
import { loadOfWater } from "@/core/optics/load";
import { seededRandom } from "@/core/numeric/random";
import { cameraOver } from "@/testing/card-photographs/camera";
import { benchRow, benchSheet, photographCard } from "@/testing/card-photographs/card-photo";
import { normalFrom } from "@/core/numeric/normal";
import { trueBlack, trueSheet } from "@/core/simulation/true-film";
import { truePaint, type TruePaint } from "@/core/simulation/true-paint";
import { DEMO_BOX_SHEET, DEMO_CARD, DEMO_MEASURED, DEMO_PAINTS } from "@/server/demo/paintbox";

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
const save = (photo: Uint8ClampedArray, name: string): Promise<unknown> =>
  sharp(photo, { raw: { width: WIDTH_PX, height: HEIGHT_PX, channels: 4 } })
    .removeAlpha()
    .jpeg({ quality: 86 })
    .toFile(`public/demo/${name}`);
mkdirSync("public/demo", { recursive: true });
await save(pixels, "swatch-card.jpg");

/** A tube measured before is the one that the simulated meter stood on: the same maker's, by the same seed. */
function truthOf(name: string): TruePaint {
  const { pigments, tintingStrength } = DEMO_PAINTS.find((paint) => paint.name === name)!;
  if (name !== DEMO_MEASURED.name) return truePaint(pigments, random, tintingStrength);
  const maker = seededRandom(DEMO_MEASURED.maker);
  trueBlack(maker, trueSheet(maker));
  return truePaint(pigments, maker);
}
const boxRows = DEMO_BOX_SHEET.map((name) =>
  benchRow(
    sheet,
    black,
    truthOf(name),
    SHEETS.box.water.map((water) => loadOfWater(water) * Math.exp(0.12 * normal())),
  ),
);
const boxCamera = cameraOver(WIDTH_PX, HEIGHT_PX, { moderate: 0.8, saturation: 1.08 }, random);
const box = { ...benchSheet(sheet, black), kind: "box" as const, rows: boxRows, number: 2, seed: 43 };
await save(photographCard(box, boxCamera, random), "box-sheet.jpg");
