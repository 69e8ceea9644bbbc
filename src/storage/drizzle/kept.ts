/** A row by its id, and a word that changes whenever the row does. */
export interface RowVersion {
  readonly id: string;
  readonly version: string;
}

/** So many rows are asked for at once. */
const ROWS_AT_ONCE = 1_000;

/**
 * Rows that were read before and have not changed since are not read again: a list of a thousand is asked for by every
 * room, and one of them changes. Holds whatever any process writes, since the versions are asked for each time.
 */
export class KeptRows<Row> {
  private rows: ReadonlyMap<string, { readonly version: string; readonly row: Row }> = new Map();
  private last: readonly Row[] = [];

  /**
   * The rows in the order given; the same list as before while none has changed.
   * @param some reads some rows by their ids, in any order; those that are gone meanwhile are missing
   */
  async read(
    there: readonly RowVersion[],
    some: (ids: readonly string[]) => Promise<readonly (readonly [id: string, row: Row])[]>,
  ): Promise<readonly Row[]> {
    const before = this.rows;
    const changed = there.filter(({ id, version }) => before.get(id)?.version !== version);
    const sameOrder = [...before.keys()].every((id, i) => there[i]?.id === id);
    if (changed.length === 0 && before.size === there.length && sameOrder) return this.last;
    const read = new Map<string, Row>();
    for (let at = 0; at < changed.length; at += ROWS_AT_ONCE)
      for (const [id, row] of await some(changed.slice(at, at + ROWS_AT_ONCE).map(({ id }) => id))) read.set(id, row);
    // What changes between the two questions has another version the next time, and is read then.
    const rows = new Map(
      there.flatMap(({ id, version }) => {
        const kept = before.get(id);
        if (kept?.version === version) return [[id, kept] as const];
        const row = read.get(id);
        return row === undefined ? [] : [[id, { version, row }] as const];
      }),
    );
    const list = [...rows.values()].map(({ row }) => row);
    this.rows = rows;
    this.last = list;
    return list;
  }
}
