/**
 * Writes docs/handbook.md: every pigment's predicted masstone and tint, for anyone to check. Run: npm run
 * docs:handbook
 */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { lchOfLab } from "@/core/colour";
import { paintModel, predict } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { HANDBOOK, type Pigment } from "@/core/pigments";

export const HANDBOOK_TABLE = fileURLToPath(new URL("../docs/handbook.md", import.meta.url));

/** The table as Markdown, computed anew. */
export function handbookTable(): string {
  const cells = (id: string, load: number): string => {
    const { L, C, h } = lchOfLab(
      predict([{ paint: paintModel(id, [{ pigmentId: id, share: 1 }]), parts: 1 }], load, PAPERS[0]).dry,
    );
    return `${L.toFixed(0)} | ${C.toFixed(0)} | ${C < 2 ? "–" : h.toFixed(0)}`;
  };
  const recalledCells = (colours: Pigment["recalled"]): string =>
    colours.map(([L, C, h]) => `${L} ${C} ${C < 3 ? "–" : h}`).join(" | ");
  const rows = HANDBOOK.map(
    ({ id, code, name, family, lightfastness, recalled }) =>
      `| ${code} | ${name} | ${family} | ${cells(id, 1)} | ${cells(id, 0.25)} | ${cells(id, 0.06)} | ${recalledCells(recalled)} | ${lightfastness.class}${lightfastness.listed ? "" : "?"} |`,
  );
  return [
    "# Every pigment's predicted colour",
    "",
    "Typical values, computed by the film model on natural white cotton, cold pressed: CIELAB (D65, 2°) lightness L*, chroma C* and hue angle h in degrees",
    "at masstone (load 1), a middle wash (load 0.25) and a tint (load 0.06). Lightfastness is the ASTM D5067 class from memory; a question mark is our own estimate.",
    'The columns under "recalled" are what each pigment\'s absorbers were aimed at: L*, C* and h of its masstone, middle wash and tint as remembered',
    "from painted swatches (from memory, no source). Made by `npm run docs:handbook`.",
    "",
    "| code | pigment | family | L* | C* | h | L* middle | C* | h | L* tint | C* | h | recalled: masstone | middle | tint | light |",
    "|---|---|---|--:|--:|--:|--:|--:|--:|--:|--:|--:|---|---|---|---|",
    ...rows,
    "",
  ].join("\n");
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  writeFileSync(HANDBOOK_TABLE, handbookTable());
  console.log("docs/handbook.md written");
}
