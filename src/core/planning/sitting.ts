import type { PaintingPlan } from "./painting-plan";

/** What became of a wash, and when it was noted, ms of any clock. */
export interface SatAt {
  readonly as: "done" | "skipped";
  readonly atMs: number;
}

/** How a painting stands at one moment of painting it. */
export interface Sitting {
  /** The next wash in the plan's order; null when all are painted or passed over. */
  readonly present: string | null;
  /** When what it has to wait for is dry, ms; null when it can go on now. */
  readonly dryAtMs: number | null;
  /** The wash that dries last of those it waits for. */
  readonly waitsFor: string | null;
  /** Other washes that could go on now, in the plan's order. */
  readonly meanwhile: readonly string[];
  readonly finished: number;
}

const MS_A_MINUTE = 60_000;

/**
 * Where a sitting stands. What was passed over holds nothing up; what was painted holds up what it touches until it is
 * dry, as the plan reckons.
 */
export function sittingAt(
  { washes, rules }: Pick<PaintingPlan, "washes" | "rules">,
  sat: ReadonlyMap<string, SatAt>,
  nowMs: number,
): Sitting {
  const dryMinutes = new Map(washes.map((wash) => [wash.key, wash.dryMinutes]));
  const left = washes.filter(({ key }) => !sat.has(key));
  /** What holds a wash up: wet neighbours until they are dry, and what has to be there first, for ever. */
  const heldUp = (key: string): { readonly by: string | null; readonly untilMs: number } => {
    let [by, untilMs]: [string | null, number] = [null, 0];
    for (const { first, then, dry } of rules) {
      const other = then === key ? first : first === key && dry ? then : null;
      if (other === null) continue;
      const noted = sat.get(other);
      if (!noted) {
        if (other === first) [by, untilMs] = [other, Infinity];
        continue;
      }
      if (noted.as === "skipped" || !dry) continue;
      const dryAt = noted.atMs + dryMinutes.get(other)! * MS_A_MINUTE;
      if (dryAt > nowMs && dryAt > untilMs) [by, untilMs] = [other, dryAt];
    }
    return { by, untilMs };
  };
  const [present] = left;
  if (!present) return { present: null, dryAtMs: null, waitsFor: null, meanwhile: [], finished: washes.length };
  const held = heldUp(present.key);
  const waits = held.by !== null && held.untilMs < Infinity;
  return {
    present: present.key,
    dryAtMs: waits ? held.untilMs : null,
    waitsFor: waits ? held.by : null,
    // What is dropped into a wet wash goes with that wash, not into a pause.
    meanwhile: left.slice(1).flatMap(({ key, task }) => (task !== "drop" && heldUp(key).by === null ? [key] : [])),
    finished: washes.length - left.length,
  };
}
