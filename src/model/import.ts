import type { PaintRow } from "@/core/formats";
import { newPaint, paintboxDocument, paintFaults, paintForm, paintStatus, type PaintEntry } from "./paintbox";

const numberOr = (text: string | undefined): number | null => (text ? Number(text.replace(",", ".")) : null);
const withoutMl = (text: string | undefined): string | undefined =>
  text && /ml$/i.test(text) ? text.slice(0, -2).trimEnd() : text;

/** A share of what was bought: "0.4" or "40 %". */
const shareOf = (text: string): number | null =>
  text.endsWith("%") ? numberOr(text.slice(0, -1).trim())! / 100 : numberOr(text);

/** A paint of a table as an entry of the box, or why it can't be one. */
export function entryOfRow(row: PaintRow, today: string): PaintEntry | { readonly reason: string } {
  const { name, pigments, maker = "", line = "", currency = "", batch = "", notes = "", boughtOn, openedOn } = row;
  const { transparency = "", staining = "", granulation = "", lightfastness = "" } = row;
  const entry = newPaint({
    id: crypto.randomUUID(),
    name,
    pigments: [...pigments],
    maker,
    line,
    currency,
    batch,
    notes,
    status: paintStatus.catch("owned").parse(row.status?.toLowerCase()),
    form: paintForm.catch("tube").parse(row.form?.toLowerCase()),
    sizeMl: numberOr(withoutMl(row.sizeMl)),
    price: numberOr(row.price),
    boughtOn: boughtOn ?? null,
    openedOn: openedOn ?? null,
    left: row.left ? shareOf(row.left) : null,
    tintingStrength: numberOr(row.tintingStrength) ?? 1,
    label: { transparency, staining, granulation, lightfastness },
    favourite: /^(true|yes|1|x)$/i.test(row.favourite ?? ""),
  });
  const [fault] = Object.values(paintFaults(entry, today));
  return fault ? { reason: `${name}: ${fault}` } : entry;
}

/**
 * Paints of an exported JSON file under new ids, or null when it is none. Throws a RangeError when it is one that
 * can't be taken.
 */
export function entriesOfJson(text: string): readonly PaintEntry[] | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return null;
  }
  const read = paintboxDocument.safeParse(value);
  if (!read.success)
    throw new RangeError(`The file is JSON, but no paintbox of this program's: ${read.error.issues[0]?.message ?? ""}`);
  const ids = new Map(read.data.paints.map(({ id }) => [id, crypto.randomUUID()]));
  return read.data.paints.map((paint) => ({
    ...paint,
    // Whoever brings paints in owns them.
    demo: false,
    id: ids.get(paint.id)!,
    sameAs: (paint.sameAs && ids.get(paint.sameAs)) || null,
  }));
}
