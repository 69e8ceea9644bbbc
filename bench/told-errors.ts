import { tryBoxSheet } from "@/testing/foreign-bench/box-sheet";
import { HANDS, KNOWN_BY, shareUnder, tellErrors } from "@/testing/foreign-bench/told-errors";
import { quantile } from "@/testing/quantile";

const BOXES = 180;
const MIXES = 24;

/** How far mixes of foreign paints are missed by what is known of them, and whether what is told of it holds. */
export function benchToldErrors(row: (name: string, text: string) => void): void {
  const seeds = Array.from({ length: BOXES }, (_, i) => 1001 + i);
  const medians = new Map<string, number>();
  for (const by of KNOWN_BY)
    for (const hand of Object.keys(HANDS) as (keyof typeof HANDS)[]) {
      if (by === "label" && hand === "loose") continue;
      const all = tellErrors(by, hand, seeds, MIXES);
      for (const paints of [1, 2, 3]) {
        const list = all.filter((one) => one.paints === paints);
        const under = shareUnder(list);
        const at = (share: number, of: (one: (typeof list)[number]) => number): string =>
          quantile(list.map(of), share).toFixed(1);
        row(
          `known by ${by}${by === "label" ? "" : `, ${hand} hand`}: ${paints === 1 ? "one paint" : `mixes of ${paints}`}`,
          `dE00 median ${at(0.5, ({ miss }) => miss)}, 90 % ${at(0.9, ({ miss }) => miss)}; told ${at(0.5, ({ told }) => told.median)}, ${at(0.5, ({ told }) => told.p90)}; under told median ${(100 * under.median).toFixed(0)} % (40 to 60), under told 90 % ${(100 * under.p90).toFixed(0)} % (82 to 96)`,
        );
      }
      medians.set(
        `${by} ${hand}`,
        quantile(
          all.map(({ miss }) => miss),
          0.5,
        ),
      );
    }
  row(
    "ratio of the medians, label to two washes",
    (medians.get("label careful")! / medians.get("two washes careful")!).toFixed(1),
  );
}

const SHEETS = 12;
/** A phone's photo as it is, and one that makes colours purer and bends its curve. */
const PHONES = {
  "true colours": { moderate: 1 },
  "purer colours, a bent curve": { moderate: 1, saturation: 1.15, tone: 1.1 },
} as const;

/** Boxes of 24 foreign paints, known by one photo of two washes each: how far their mixes are missed. */
export async function benchBoxSheet(row: (name: string, text: string) => void): Promise<void> {
  for (const hand of Object.keys(HANDS) as (keyof typeof HANDS)[])
    for (const [phone, trouble] of Object.entries(PHONES)) {
      const trials = [];
      for (let i = 0; i < SHEETS; i++) trials.push(await tryBoxSheet(2001 + i, hand, trouble));
      const missed = trials.flatMap((trial) => trial.missed);
      const misses = missed.map(({ miss }) => miss);
      const label = quantile(
        trials.flatMap((trial) => trial.byLabel),
        0.5,
      );
      const under = shareUnder(missed);
      const granulation = trials.flatMap((trial) => trial.granulation.filter(({ read }) => read !== null));
      const apart = (of: "label" | "read"): string =>
        Math.sqrt(
          granulation.reduce((sum, paint) => sum + (paint[of]! - paint.truth) ** 2, 0) / granulation.length,
        ).toFixed(3);
      row(
        `box sheet, ${hand} hand, ${phone}: granulation, 0 to 1`,
        `root mean square error ${apart("read")} as read, ${apart("label")} by the label`,
      );
      const refused = trials.reduce((sum, trial) => sum + trial.refused.length, 0);
      row(
        `box sheet, ${hand} hand, ${phone}: mixes of 1 to 3 (goal 2.3, 90 % 5)`,
        `dE00 median ${quantile(misses, 0.5).toFixed(1)}, 90 % ${quantile(misses, 0.9).toFixed(1)}; ratio to the label alone ${(quantile(misses, 0.5) / label).toFixed(2)}; under told median ${(100 * under.median).toFixed(0)} %, under told 90 % ${(100 * under.p90).toFixed(0)} %; ${refused} of ${24 * SHEETS} paints refused`,
      );
    }
}
