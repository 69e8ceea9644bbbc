import { informationOfPatches } from "@/core/calibration";
import {
  drained,
  habitFactor,
  learning,
  learnDrying,
  learnedPaint,
  leftBy,
  opticsLeft,
  paperFactor,
  type CardEvidence,
  type DriedWash,
  type Evidence,
  type LearnedBefore,
  type Posterior,
  type StateById,
} from "@/core/learning";
import { lightnessOfValue } from "@/core/colour";
import { HANDS, paintModel, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { loadOfWater, paperById, PAPERS } from "@/core/optics";
import {
  LEARNING_MODEL,
  type LearnedBook,
  type LeftToBeginFrom,
  type LogEntry,
  type LoggedMix,
  type LoggedPaint,
  type StoredLogEntry,
} from "./logbook";
import { looksKnown } from "./paintbox";
import { countingOf, type Measurement, type StoredFit } from "./measurement";

/** A paint's label facts: what the handbook makes of it. */
type Label = Pick<LoggedPaint, "id" | "pigments" | "tintingStrength">;

/** What is learned from a page. */
export interface BookPage extends Pick<StoredLogEntry, "binned"> {
  readonly document: Pick<LogEntry, "on" | "paperId" | "mixes" | "paints">;
}

/** What a book is learned from. */
export interface BookSources {
  readonly entries: readonly BookPage[];
  /** The paintbox: its labels go before those that entries remember. */
  readonly paints: readonly Label[];
  /** Newest first. */
  readonly measurements: readonly (Pick<Measurement, "id" | "paintId" | "paperId" | "patches" | "counts"> & {
    readonly fit: Pick<StoredFit, "granulation">;
  })[];
}

/** The evidence of a book, and the paints in it as the handbook has them. */
interface Gathered {
  readonly evidence: readonly Evidence[];
  readonly bases: ReadonlyMap<string, PaintModel>;
  readonly labels: ReadonlyMap<string, Label>;
  /** The day of each swatch. */
  readonly days: ReadonlyMap<string, string>;
  readonly cards: readonly CardEvidence[];
  readonly dried: readonly { readonly mix: LoggedMix; readonly paperId: string }[];
}

const isEvidence = ({ read, counts, parts }: LoggedMix): boolean => read !== null && counts && parts.length > 0;

/**
 * Swatches that count, as evidence; those laid over another wash come with that wash as the paints in `models` have it.
 */
function gather({ entries, paints, measurements }: BookSources, models: ReadonlyMap<string, PaintModel>): Gathered {
  const here = entries.filter(({ binned }) => !binned).map(({ document }) => document);
  const labels = new Map<string, Label>();
  for (const { paints: logged } of here) for (const paint of logged) labels.set(paint.id, paint);
  for (const paint of paints) labels.set(paint.id, paint);
  const counting = countingOf(measurements);
  const bases = new Map<string, PaintModel>();
  const baseOf = (id: string): PaintModel | null => {
    const label = labels.get(id);
    // What is not known to look like anything teaches nothing of the others.
    if (!label || !looksKnown(label)) return null;
    const known = bases.get(id);
    if (known) return known;
    const model = paintModel(id, label.pigments, label.tintingStrength);
    const base = { ...model, granulation: counting.get(id)?.fit.granulation ?? model.granulation };
    bases.set(id, base);
    return base;
  };
  const partsOf = (parts: LoggedMix["parts"], of: (id: string) => PaintModel | null) => {
    const known = parts.flatMap(({ paintId, parts: amount }) => {
      const paint = of(paintId);
      return paint ? [{ paint, parts: amount }] : [];
    });
    return known.length === parts.length ? known : null;
  };
  const evidence: Evidence[] = [];
  const days = new Map<string, string>();
  const dried: Gathered["dried"][number][] = [];
  for (const { mixes, paperId, on } of here)
    for (const logged of mixes) {
      const mix = partsOf(logged.parts, baseOf);
      const under = logged.over && partsOf(logged.over.parts, (id) => models.get(id) ?? baseOf(id));
      if (!isEvidence(logged) || !mix || (logged.over && !under)) continue;
      days.set(logged.id, on);
      if (logged.wetValue !== null && !logged.over) dried.push({ mix: logged, paperId });
      evidence.push({
        id: logged.id,
        mix,
        waterParts: logged.waterParts,
        paper: paperById(paperId),
        over: under && logged.over && { mix: under, load: loadOfWater(logged.over.waterParts) },
        lab: logged.read!.lab,
        by: logged.read!.by,
        photo: logged.read!.photoId,
      });
    }
  const used = new Set(evidence.flatMap(({ mix }) => mix.map(({ paint }) => paint.id)));
  const cards = measurements.flatMap(({ paintId, paperId, patches, counts }) => {
    const base = counts && used.has(paintId) ? baseOf(paintId) : null;
    const information = base && informationOfPatches(base, patches, paperById(paperId));
    return information ? [{ paintId, paperId, ...information }] : [];
  });
  return { evidence, bases, labels, days, cards, dried };
}

/** The posterior of a book, with what it was learned from. */
export interface FittedBook extends Gathered {
  readonly posterior: Posterior;
}

const labelKey = ({ pigments, tintingStrength }: Pick<Label, "pigments" | "tintingStrength">): string =>
  JSON.stringify([pigments.map(({ pigmentId, share }) => [pigmentId, share]), tintingStrength]);

/** What is left to begin from as far as it still speaks of the same: of these labels, under this model. */
function stillTrue(left: LeftToBeginFrom | null, labels: Gathered["labels"]): LearnedBefore | null {
  if (left?.model !== LEARNING_MODEL) return null;
  const same = Object.entries(left.paints).filter(([id]) => {
    const label = labels.get(id);
    return label && labelKey(label) === left.labels[id];
  });
  return { ...left, paints: Object.fromEntries(same) };
}

/**
 * Fits a book step by step: all its swatches and the cards of their paints, together.
 * @param left by an earlier fit of it, to begin from
 */
export function* fittingBook(sources: BookSources, left: LeftToBeginFrom | null = null): Generator<void, FittedBook> {
  const first = gather(sources, new Map());
  const before = stillTrue(left, first.labels);
  const layered = first.evidence.some(({ over }) => over !== null);
  /** The evidence with lower washes as they are known by then: what was laid over another wash hangs on it. */
  const over = (known: StateById): Gathered => {
    const models = [...first.bases].map(
      ([id, base]) => [id, { ...base, optics: opticsLeft(known, base) ?? base.optics }] as const,
    );
    return gather(sources, new Map(models));
  };
  let gathered = before && layered ? over(before) : first;
  let posterior = yield* learning(gathered.evidence, gathered.cards, [], HANDS.usual, before);
  if (layered && !before) {
    const known = leftBy(posterior);
    gathered = over(known);
    posterior = yield* learning(gathered.evidence, gathered.cards, [], HANDS.usual, known);
  }
  return { ...gathered, posterior };
}

/** What a book has taught, ready to be used; null while it holds no swatch that counts. */
export const learnedBookOf = (sources: BookSources): LearnedBook | null => bookOf(drained(fittingBook(sources))).book;

/** What a fitted book has taught, null while it holds no swatch that counts; and what the next fit begins from. */
export function bookOf(fitted: FittedBook): {
  readonly book: LearnedBook | null;
  readonly left: LeftToBeginFrom;
} {
  const before = leftBy(fitted.posterior);
  const labels = Object.keys(before.paints).map((id) => [id, labelKey(fitted.labels.get(id)!)] as const);
  return { book: taughtBy(fitted), left: { ...before, model: LEARNING_MODEL, labels: Object.fromEntries(labels) } };
}

function taughtBy({ evidence, bases, days, posterior, dried }: FittedBook): LearnedBook | null {
  if (evidence.length === 0) return null;
  const newest = [...days.values()].sort().at(-1) ?? null;
  const paints: Record<string, MeasuredOptics> = {};
  const models = new Map<string, PaintModel>();
  for (const [id, base] of bases) {
    const learned = learnedPaint(posterior, base, evidence, PAPERS[0]);
    if (!learned) continue;
    const { optics, miss, loads, swatches } = learned;
    const on = evidence
      .filter(({ mix }) => mix.some(({ paint }) => paint.id === id))
      .map((one) => days.get(one.id)!)
      .sort()
      .at(-1)!;
    paints[id] = {
      K: [...optics.K],
      S: [...optics.S],
      miss,
      loads,
      on,
      way: "logbook",
      swatches,
      book: evidence.length,
      granulation: base.granulation,
    };
    models.set(id, { ...base, optics });
  }
  for (const [id, dryingShift] of learnDrying(dried.flatMap((one) => driedWash(one, models))))
    paints[id] = { ...paints[id]!, dryingShift };
  const { layout, covariance } = posterior;
  return {
    model: LEARNING_MODEL,
    swatches: evidence.length,
    newest,
    paints,
    habit: habitFactor(posterior),
    habitUnsure: Math.sqrt(covariance.at(layout.habit, layout.habit)),
    papers: Object.fromEntries([...layout.papers.keys()].map((id) => [id, paperFactor(posterior, id)])),
    hand: posterior.hand,
    agreements: Object.fromEntries(posterior.agreements),
  };
}

function driedWash(
  { mix, paperId }: Gathered["dried"][number],
  models: ReadonlyMap<string, PaintModel>,
): readonly DriedWash[] {
  const parts = mix.parts.flatMap(({ paintId, parts: amount }) => {
    const paint = models.get(paintId);
    return paint ? [{ paint, parts: amount }] : [];
  });
  if (parts.length < mix.parts.length || !mix.read || mix.wetValue === null) return [];
  const lighter = mix.read.lab.L - lightnessOfValue(mix.wetValue);
  return [{ mix: parts, load: loadOfWater(mix.waterParts), paper: paperById(paperId), lighter }];
}
