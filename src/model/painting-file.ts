import { z } from "zod";
import { MIXABLE, paintEntry, type PaintEntry } from "./paintbox";
import { paintingDocument, type PaintingDocument } from "./painting";
import { BACKUP_FILE, photoFormat } from "./backup";
import { photoId } from "./photo-id";
import { LETTERS } from "./limits";
import { leastShape } from "./shape";
import { text } from "./text";

/** One painting as a file: to give to a friend or a pupil. */
export const paintingFile = z.object({
  madeBy: z.literal("Abendrot"),
  kind: z.literal("painting"),
  version: z.literal(BACKUP_FILE.version, "This painting was written out by a newer Abendrot."),
  least: leastShape("This painting was written out by a newer Abendrot."),
  document: paintingDocument,
  photo: z.object({ id: photoId, format: photoFormat, fileName: text(LETTERS.fileName) }),
  /** The paints that it names, as they stand in the giver's paintbox. */
  paints: z.array(paintEntry).max(400),
});
export type PaintingFile = z.infer<typeof paintingFile>;

/** What became of a painting that was brought as a file. */
export const broughtPainting = z.object({
  id: z.uuid(),
  /** Paints that were not in the box: they stand in it as wished for. */
  wished: z.array(z.string()),
  /** Paints of one's own that stand for the giver's, where they are not the very same. */
  instead: z.array(z.object({ theirs: z.string(), yours: z.string() })),
});
export type BroughtPainting = z.infer<typeof broughtPainting>;

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;

/** Ids of paints that a painting names: in its tray, recipes, rules and kept palettes. */
export function paintsNamed(document: PaintingDocument, known: ReadonlySet<string>): string[] {
  const { palette, areas, rules, palettes } = document;
  const ids = new Set(JSON.stringify({ palette, areas, rules, palettes }).match(UUID) ?? []);
  return [...ids].filter((id) => known.has(id));
}

const pigmentsOf = ({ pigments }: Pick<PaintEntry, "pigments">): string =>
  pigments
    .map(({ pigmentId }) => pigmentId)
    .sort()
    .join(" ");

const same = (a: PaintEntry, b: PaintEntry): boolean =>
  a.name === b.name && a.maker === b.maker && a.line === b.line && pigmentsOf(a) === pigmentsOf(b);

/** How well a paint of one's own stands for another of the same pigments: at hand first, then of about its strength. */
function fitness(own: PaintEntry, theirs: PaintEntry): number {
  const atHand = MIXABLE.has(own.status) ? 0 : 100;
  return (same(own, theirs) ? 0 : 10) + atHand + Math.abs(Math.log(own.tintingStrength / theirs.tintingStrength));
}

/** A painting's paints among one's own. */
export interface MatchedPaints {
  /** One's own paint for each of the giver's. */
  readonly own: ReadonlyMap<string, PaintEntry>;
  /** Paints of pigments that are in no paint of one's own. */
  readonly missing: readonly PaintEntry[];
}

/**
 * Finds for each paint one of the same pigments in one's own box: the very same first, then one at hand, then the
 * nearest in strength. A paint of one's own stands for one alone, so that no recipe names it twice.
 */
export function matchPaints(theirs: readonly PaintEntry[], box: readonly PaintEntry[]): MatchedPaints {
  const own = new Map<string, PaintEntry>();
  const taken = new Set<string>();
  const pairs = theirs
    .flatMap((paint) =>
      box
        .filter((one) => pigmentsOf(one) === pigmentsOf(paint))
        .map((one) => ({ paint, one, worse: fitness(one, paint) })),
    )
    .sort((a, b) => a.worse - b.worse);
  for (const { paint, one } of pairs) {
    if (own.has(paint.id) || taken.has(one.id)) continue;
    own.set(paint.id, one);
    taken.add(one.id);
  }
  return { own, missing: theirs.filter(({ id }) => !own.has(id)) };
}

/** A painting with other paints in place of those that it names. */
export const withPaints = (document: PaintingDocument, idOf: ReadonlyMap<string, string>): PaintingDocument => {
  const { palette, areas, rules, palettes } = JSON.parse(
    JSON.stringify({
      palette: document.palette,
      areas: document.areas,
      rules: { ...document.rules, boxId: null },
      palettes: document.palettes,
    }).replace(UUID, (id) => idOf.get(id) ?? id),
  ) as Pick<PaintingDocument, "palette" | "areas" | "rules" | "palettes">;
  return { ...document, palette, areas, rules, palettes };
};
