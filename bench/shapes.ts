/**
 * Shapes found in real photographs against those drawn by hand, beside a general library's on the same
 * pictures; and made-up washes told apart. Run: npm run bench shapes
 */
import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { proposeShapes, washPlan, WASH_KINDS } from "../src/core/areas";
import { deltaE00 } from "../src/core/colour";
import { areaImageOf } from "../src/core/image";
import { madeUpWash } from "../src/testing/made-up-washes";
import { drawnLabels, PHOTOGRAPHS, photograph, photographPath } from "../src/testing/photographs/photographs";
import { boundaryF, covering } from "../src/testing/photographs/shape-scores";

const PYTHON = "/usr/bin/python3";
const REFERENCE = "bench/reference-shapes.py";

/** Shapes by scikit-image (slic, its adjacency graph merged); null where it is not installed. */
function referenceLabels(name: string, shapes: number, width: number, height: number): Buffer | null {
  if (!existsSync(PYTHON)) return null;
  const asked = [REFERENCE, photographPath(name), String(shapes), String(width), String(height), "slic"];
  const { status, stdout } = spawnSync(PYTHON, asked, { maxBuffer: 1e9 });
  return status === 0 ? stdout : null;
}

/** Prints boundary F-measure and covering for each photograph, and their means. */
export async function benchShapes(row: (name: string, value: string) => void): Promise<void> {
  const ours = { f: 0, covering: 0 };
  const theirs = { f: 0, covering: 0, best: 0, count: 0 };
  for (const name of PHOTOGRAPHS) {
    const image = areaImageOf(await photograph(name));
    const { width, height } = image;
    const drawn = drawnLabels(name, width, height);
    const start = performance.now();
    const { labels, shapes } = proposeShapes(image, new Uint8Array(width * height).fill(1));
    const took = performance.now() - start;
    const [f, over] = [boundaryF(drawn, labels, width, height).f, covering(drawn, labels)];
    ours.f += f / PHOTOGRAPHS.length;
    ours.covering += over / PHOTOGRAPHS.length;
    let words = "";
    const reference = referenceLabels(name, shapes, width, height);
    if (reference) {
      const [rf, rover] = [boundaryF(drawn, reference, width, height).f, covering(drawn, reference)];
      theirs.f += rf;
      theirs.covering += rover;
      theirs.count++;
      words = `; scikit-image at as many: F ${rf.toFixed(2)}, covering ${rover.toFixed(2)}`;
    }
    row(`${name}: ${shapes} shapes in ${took.toFixed(0)} ms`, `F ${f.toFixed(2)}, covering ${over.toFixed(2)}${words}`);
  }
  row("mean F-measure of borders, covering", `${ours.f.toFixed(3)}, ${ours.covering.toFixed(3)}`);
  if (theirs.count === PHOTOGRAPHS.length) {
    const [f, over] = [theirs.f / theirs.count, theirs.covering / theirs.count];
    row("scikit-image (slic, graph merged by Ward)", `${f.toFixed(3)}, ${over.toFixed(3)}`);
    row("ratio ours / scikit-image", `${(ours.f / f).toFixed(2)}, ${(ours.covering / over).toFixed(2)}`);
  } else row("scikit-image", "not installed (python3-skimage): no reference");
}

/** Prints how many made-up washes of each kind are told as such, and how far their colours are off. */
export async function benchWashes(row: (name: string, value: string) => void, each = 100): Promise<void> {
  for (const kind of WASH_KINDS) {
    let right = 0;
    const off: number[] = [];
    for (let seed = 1; seed <= each; seed++) {
      const made = await madeUpWash(kind, 90_000 + seed);
      const map = { width: made.photo.width, height: made.photo.height, labels: made.inside };
      const plan = washPlan(map, 1, areaImageOf(made.photo));
      if (plan?.kind !== kind) continue;
      right++;
      const found = plan.colours.map(({ lab }) => lab);
      const ends = kind === "graded" ? [found[0], found[found.length - 1]] : found;
      const worst = (list: typeof ends): number =>
        Math.max(...made.colours.map((lab, i) => (list[i] ? deltaE00(lab, list[i]) : Infinity)));
      off.push(kind === "graded" ? Math.min(worst(ends), worst([...ends].reverse())) : worst(ends));
    }
    off.sort((a, b) => a - b);
    const within = off.filter((miss) => miss <= 2).length;
    row(
      `${kind}: told as such, of ${each}`,
      `${right}; worst colour off by ${off[off.length >> 1]?.toFixed(2)} in the median, within 2 dE00 in ${within}`,
    );
  }
}
