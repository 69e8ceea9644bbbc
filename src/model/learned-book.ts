import { informationOfPatches } from "@/core/calibration";
import {
  drained,
  habitFactor,
  learning,
  learnDrying,
  learnedPaint,
  paperFactor,
  type CardEvidence,
  type DriedWash,
  type Evidence,
  type Posterior,
} from "@/core/learning";
import { lightnessOfValue } from "@/core/colour";
import { paintModel, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { loadOfWater, paperById, PAPERS } from "@/core/optics";
import { LEARNING_MODEL, type LearnedBook, type LoggedMix, type LoggedPaint, type StoredLogEntry } from "./logbook";
import { looksKnown } from "./paintbox";
import { countingOf, type Measurement, type StoredFit } from "./measurement";

/** A paint's label facts: what the handbook makes of it. */
type Label = Pick<LoggedPaint, "id" | "pigments" | "tintingStrength">;

/** What a book is learned from. */
export interface BookSources {
  readonly entries: readonly Pick<StoredLogEntry, "document" | "binned">[];
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
  return { evidence, bases, days, cards, dried };
}

/** The posterior of a book, with what it was learned from. */
export interface FittedBook extends Gathered {
  readonly posterior: Posterior;
}

/**
 * Fits a book step by step: all its swatches and the cards of their paints, together.
 * @param asked paints that are asked about beside those of the swatches
 */
export function* fittingBook(sources: BookSources, asked: readonly Label[]): Generator<void, FittedBook> {
  const ids = asked.map(({ id }) => id);
  const first = gather(sources, new Map());
  const posterior = yield* learning(first.evidence, first.cards, ids);
  if (!first.evidence.some(({ over }) => over !== null)) return { ...first, posterior };
  // What was laid over another wash is looked at again, over that wash as it is now known.
  const models = new Map(
    [...first.bases].map(([id, base]) => {
      const learned = learnedPaint(posterior, base, first.evidence, PAPERS[0]);
      return [id, learned ? { ...base, optics: learned.optics } : base];
    }),
  );
  const again = gather(sources, models);
  return { ...again, posterior: yield* learning(again.evidence, again.cards, ids) };
}

/** What a book has taught, ready to be used; null while it holds no swatch that counts. */
export const learnedBookOf = (sources: BookSources): LearnedBook | null => drained(learningBook(sources));

/** {@link learnedBookOf} step by step, so that a server can see to others in between. */
export function* learningBook(sources: BookSources): Generator<void, LearnedBook | null> {
  const { evidence, bases, days, posterior, dried } = yield* fittingBook(sources, []);
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
    habitUnsure: Math.sqrt(covariance[layout.habit * layout.size + layout.habit]!),
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
