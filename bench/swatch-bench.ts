import { throughJpeg } from "@/testing/card-photographs/develop";
import { runTrial } from "@/testing/card-photographs/trial";

/** Boxes of eight paints each, and unseen mixes of two and three of each box. */
const BOXES = 24;
const MIXES = 100;
/** From a perfect camera to what a phone in a steady hand does by daylight (see PhotoTrouble). */
const LEVELS = [
  ["noise-free", 0],
  ["slight", 0.5],
  ["moderate", 1],
] as const;

const at = (list: readonly number[], share: number): string =>
  [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]!.toFixed(2);

/** How near unseen mixes are predicted from one photo of each card on the simulated bench, handbook alone beside it. */
export async function swatchBench(row: (name: string, text: string) => void): Promise<void> {
  for (const [name, moderate] of LEVELS) {
    const [handbook, fitted, alone, said]: [number[], number[], number[], number[]] = [[], [], [], []];
    let refused = 0;
    for (let seed = 1; seed <= BOXES; seed++) {
      const trial = await runTrial({
        seed,
        trouble: { moderate },
        widthPx: 750,
        heightPx: 1000,
        cards: 2,
        mixes: MIXES,
        develop: throughJpeg,
      });
      handbook.push(...trial.handbook);
      fitted.push(...trial.fitted);
      alone.push(...trial.alone.fitted);
      said.push(...trial.said);
      refused += trial.refused.length;
    }
    row(
      `swatch card, ${name} photo: unseen mixes (goal 1.5, 90 % 3.5)`,
      `dE00 median ${at(fitted, 0.5)}, 90 % ${at(fitted, 0.9)}`,
    );
    row("  handbook alone on the same mixes", `dE00 median ${at(handbook, 0.5)}, 90 % ${at(handbook, 0.9)}`);
    row(
      "  ratio of the medians, handbook to measured",
      (Number(at(handbook, 0.5)) / Number(at(fitted, 0.5))).toFixed(1),
    );
    row(
      "  single paints: likely miss told, and true median",
      `${at(said, 0.5)}, ${at(alone, 0.5)}${refused > 0 ? `; ${refused} rows or cards refused` : ""}`,
    );
  }
}
