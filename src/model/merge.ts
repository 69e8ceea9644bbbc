import isEqual from "fast-deep-equal";
import { LOGBOOK_URL, PAINTBOX_URL, PAINTINGS_URL } from "./addresses";
import { logEntry, type LogEntry } from "./logbook";
import { paintboxDocument, type PaintboxDocument } from "./paintbox";
import { paintingDocument, type PaintingDocument } from "./painting";

/** Two changes of one document brought together, or what both of them changed, in words for the painter. */
export type Merged<T> = { readonly document: T } | { readonly clashes: readonly string[] };

/** Both sides of a merge and what they began from. */
interface Sides<T> {
  readonly base: T;
  readonly mine: T;
  readonly theirs: T;
}

/** Notes what both sides changed, each in its own way. */
type Clash = (what: string) => void;

/** A value that at most one side changed, or both alike. */
function mergeValue<T>({ base, mine, theirs }: Sides<T>, what: string, clash: Clash): T {
  if (isEqual(mine, base)) return theirs;
  if (!isEqual(theirs, base) && !isEqual(mine, theirs)) clash(what);
  return mine;
}

/**
 * A list whose items are known by a key: items added, changed or removed by one side. Kept in the order of whoever
 * moved them.
 */
function mergeList<T>(
  { base, mine, theirs }: Sides<readonly T[]>,
  keyOf: (item: T) => string,
  wordsOf: (item: T) => string,
  clash: Clash,
): T[] {
  const [from, ours, others] = [base, mine, theirs].map((list) => new Map(list.map((item) => [keyOf(item), item])));
  const merged = new Map<string, T>();
  for (const key of new Set([...ours!.keys(), ...others!.keys()])) {
    const sides = { base: from!.get(key), mine: ours!.get(key), theirs: others!.get(key) };
    const item = mergeValue(sides, wordsOf((sides.mine ?? sides.theirs)!), clash);
    if (item !== undefined) merged.set(key, item);
  }
  const order = (list: readonly T[]): string[] => list.map(keyOf);
  const moved = !isEqual(
    order(mine).filter((key) => from!.has(key)),
    order(base).filter((key) => ours!.has(key)),
  );
  const [first, second] = moved ? [mine, theirs] : [theirs, mine];
  // What the side that kept the order added comes after the item that it was put behind.
  const keys = order(first).filter((key) => merged.has(key));
  let behind = -1;
  for (const key of order(second)) {
    const at = keys.indexOf(key);
    if (at >= 0) behind = at;
    else if (merged.has(key)) keys.splice(++behind, 0, key);
  }
  return keys.map((key) => merged.get(key)!);
}

function checked<T>(
  clashes: readonly string[],
  schema: { safeParse(value: unknown): { success: boolean; error?: { issues: readonly { message: string }[] } } },
  document: T,
): Merged<T> {
  if (clashes.length > 0) return { clashes };
  const fault = schema.safeParse(document).error?.issues[0]?.message;
  return fault ? { clashes: [fault] } : { document };
}

const sidesOf = <T, K extends keyof T>({ base, mine, theirs }: Sides<T>, key: K): Sides<T[K]> => ({
  base: base[key],
  mine: mine[key],
  theirs: theirs[key],
});
const itself = (id: string): string => id;

/** Brings two changes of a painting together where they touch different areas, paints or settings. */
export function mergePaintings(sides: Sides<PaintingDocument>): Merged<PaintingDocument> {
  const clashes: string[] = [];
  const clash: Clash = (what) => clashes.push(what);
  const areas = mergeList(
    sidesOf(sides, "areas"),
    ({ id }) => id,
    ({ name }) => name,
    clash,
  );
  const study = sidesOf(sides, "study");
  const plan = sidesOf(sides, "plan");
  const document: PaintingDocument = {
    title: mergeValue(sidesOf(sides, "title"), "the title", clash),
    paperId: mergeValue(sidesOf(sides, "paperId"), "the paper", clash),
    areas,
    palette: mergeList(sidesOf(sides, "palette"), itself, () => "the tray", clash),
    study: {
      frame: mergeValue(sidesOf(study, "frame"), "the sheet's frame", clash),
      sheet: mergeValue(sidesOf(study, "sheet"), "the sheet's size", clash),
      white: mergeValue(sidesOf(study, "white"), "the white", clash),
      map: mergeValue(sidesOf(study, "map"), "the shapes", clash),
      wish: mergeValue(sidesOf(study, "wish"), "what is wished of the colours", clash),
      curve: mergeValue(sidesOf(study, "curve"), "the value curve", clash),
      bother: mergeValue(sidesOf(study, "bother"), "from which difference a wash has several colours", clash),
      meant: mergeList(sidesOf(study, "meant"), itself, () => "a warning that is overruled", clash),
      pairs: mergeList(
        sidesOf(study, "pairs"),
        ({ id }) => id,
        () => "a pinned pair",
        clash,
      ),
    },
    approach: mergeValue(sidesOf(sides, "approach"), "the approach", clash),
    rules: mergeValue(sidesOf(sides, "rules"), "the rules of the palette", clash),
    plan: {
      order: mergeValue(sidesOf(plan, "order"), "the order of the washes", clash),
      hand: mergeValue(sidesOf(plan, "hand"), "the painting hand", clash),
      wetness: mergeValue(sidesOf(plan, "wetness"), "how wetly is painted", clash),
      crispBy: mergeValue(sidesOf(plan, "crispBy"), "how crisp edges are kept", clash),
      weightGsm: mergeValue(sidesOf(plan, "weightGsm"), "the sheet's weight", clash),
      temperatureC: mergeValue(sidesOf(plan, "temperatureC"), "the temperature", clash),
      humidity: mergeValue(sidesOf(plan, "humidity"), "the humidity", clash),
      reserved: mergeList(
        sidesOf(plan, "reserved"),
        ({ areaId }) => areaId,
        () => "a light that stays",
        clash,
      ),
      tested: mergeList(
        sidesOf(plan, "tested"),
        ({ colourId }) => colourId,
        () => "what a swatch came out at",
        clash,
      ),
      sat: mergeList(
        sidesOf(plan, "sat"),
        ({ key, at }) => `${key} ${at}`,
        () => "what was painted",
        clash,
      ),
    },
    palettes: mergeList(
      sidesOf(sides, "palettes"),
      ({ id }) => id,
      ({ name }) => name,
      clash,
    ),
  };
  return checked(clashes, paintingDocument, document);
}

/** Brings two changes of the paintbox together where they touch different paints and boxes. */
export function mergePaintboxes(sides: Sides<PaintboxDocument>): Merged<PaintboxDocument> {
  const clashes: string[] = [];
  const clash: Clash = (what) => clashes.push(what);
  const paints = mergeList(
    sidesOf(sides, "paints"),
    ({ id }) => id,
    ({ name }) => name,
    clash,
  );
  const known = new Set(paints.map(({ id }) => id));
  const boxes = mergeList(
    sidesOf(sides, "boxes"),
    ({ id }) => id,
    ({ name }) => name,
    clash,
  ).map((box) => ({ ...box, wells: box.wells.map((well) => (well !== null && known.has(well) ? well : null)) }));
  return checked(clashes, paintboxDocument, { paints, boxes });
}

/** Brings two changes of a logbook entry together where they touch different swatches or different fields. */
export function mergeLogEntries(sides: Sides<LogEntry>): Merged<LogEntry> {
  const clashes: string[] = [];
  const clash: Clash = (what) => clashes.push(what);
  const field = <K extends keyof LogEntry>(key: K, what: string): LogEntry[K] =>
    mergeValue(sidesOf(sides, key), what, clash);
  return checked(clashes, logEntry, {
    kind: field("kind", "its kind"),
    title: field("title", "its title"),
    on: field("on", "its day"),
    paperId: field("paperId", "its paper"),
    paints: mergeList(
      sidesOf(sides, "paints"),
      ({ id }) => id,
      ({ name }) => name,
      clash,
    ),
    mixes: mergeList(
      sidesOf(sides, "mixes"),
      ({ id }) => id,
      ({ name }) => name || "a swatch",
      clash,
    ),
    photos: mergeList(sidesOf(sides, "photos"), itself, () => "a photo", clash),
    seen: field("seen", "what was seen"),
    notes: field("notes", "the notes"),
    moods: field("moods", "the mood words"),
    stars: field("stars", "the stars"),
    painting: field("painting", "the painting it is for"),
  });
}

/** Any document, of the kind that its merge expects. */
type AnyMerge = (sides: Sides<unknown>) => Merged<unknown>;

/** Each kind of document by where it is saved. A kind that has no line here is never brought together by itself. */
const MERGES: readonly (readonly [at: (url: string) => boolean, merge: AnyMerge])[] = [
  [(url) => url === PAINTBOX_URL, (sides) => mergePaintboxes(sides as Sides<PaintboxDocument>)],
  [(url) => url.startsWith(`${PAINTINGS_URL}/`), (sides) => mergePaintings(sides as Sides<PaintingDocument>)],
  [(url) => url.startsWith(`${LOGBOOK_URL}/`), (sides) => mergeLogEntries(sides as Sides<LogEntry>)],
];

/** How two changes of the document at an address are brought together; null for none that is known. */
export const mergeAt = (url: string): AnyMerge | null => MERGES.find(([at]) => at(url))?.[1] ?? null;
