/** What the eye is asked. */
export const EYE_KINDS = ["value", "warmth", "hue", "mix", "grey"] as const;
export type EyeKind = (typeof EYE_KINDS)[number];

/** What each kind is asked of, so that one comes back to what one errs in. */
export const BUCKETS: Readonly<Record<EyeKind, readonly string[]>> = {
  value: ["dark", "middle", "light"],
  warmth: ["warm colours", "cool colours"],
  hue: ["reds", "yellows", "greens", "blues"],
  mix: ["two paints"],
  grey: ["two paints"],
};

/** An answer that was given. */
export interface EyeAnswer {
  readonly at: Date;
  readonly kind: EyeKind;
  readonly bucket: string;
  /** Value steps, dE00, degrees of hue, or steps between the choices; by kind. */
  readonly error: number;
}

/**
 * An error that is neither small nor large: a value step; the wrong one of two; a neighbouring hue word; a mix that one
 * would not take for it; the next choice. From memory.
 */
const USUAL_ERROR: Readonly<Record<EyeKind, number>> = { value: 0.8, warmth: 0.5, hue: 25, mix: 8, grey: 0.5 };

/** Answers that count of each kind: what one erred in long ago is not what one errs in now. */
const LATEST = 8;
/** An untried kind counts as so many usual answers. */
const SUPPOSED = 2;
const HOUR_MS = 3_600_000;

/** What is asked next: kind and bucket. */
export interface Asked {
  readonly kind: EyeKind;
  readonly bucket: string;
}

/**
 * How much a question is due: the mean of its latest errors against usual ones, times how long it has not been asked
 * (the spacing effect; the logarithm from memory).
 */
function due({ kind, bucket }: Asked, answers: readonly EyeAnswer[], now: Date): number {
  const own = answers.filter((one) => one.kind === kind && one.bucket === bucket);
  const latest = [...own].sort((a, b) => b.at.getTime() - a.at.getTime()).slice(0, LATEST);
  const errors = latest.reduce((sum, { error }) => sum + error / USUAL_ERROR[kind], SUPPOSED);
  const mean = errors / (latest.length + SUPPOSED);
  const hours = latest[0] ? (now.getTime() - latest[0].at.getTime()) / HOUR_MS : 24;
  return mean * Math.log2(1.05 + Math.max(0, hours));
}

/** The question that is most due; of those due alike one at random. */
export function nextAsked(
  answers: readonly EyeAnswer[],
  now: Date,
  random: () => number,
  among: readonly EyeKind[] = EYE_KINDS,
): Asked {
  const all = among.flatMap((kind) => BUCKETS[kind].map((bucket): Asked => ({ kind, bucket })));
  const scored = all.map((asked) => ({ asked, score: due(asked, answers, now) * (0.9 + 0.2 * random()) }));
  return scored.reduce((most, one) => (one.score > most.score ? one : most)).asked;
}

/** Mean error of a kind in a week, the weeks counted from their Mondays, oldest first. */
export function byWeek(
  answers: readonly EyeAnswer[],
): readonly { readonly week: string; readonly means: Readonly<Partial<Record<EyeKind, number>>> }[] {
  const weeks = new Map<string, Map<EyeKind, number[]>>();
  for (const { at, kind, error } of answers) {
    const monday = new Date(Date.UTC(at.getFullYear(), at.getMonth(), at.getDate() - ((at.getDay() + 6) % 7)));
    const week = monday.toISOString().slice(0, 10);
    const kinds = weeks.get(week) ?? new Map<EyeKind, number[]>();
    weeks.set(week, kinds.set(kind, [...(kinds.get(kind) ?? []), error]));
  }
  return [...weeks]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([week, kinds]) => ({
      week,
      means: Object.fromEntries(
        [...kinds].map(([kind, errors]) => [kind, errors.reduce((sum, x) => sum + x, 0) / errors.length]),
      ),
    }));
}
