import "server-only";
import { createHash } from "node:crypto";
import type { BookSources } from "@/model/learned-book";
import { modelFingerprint } from "@/model/model-fingerprint";
import type { BookStamp, Store } from "@/storage/ports";
import type { BookPage } from "@/model/learned-book";

/** A page as it was read, in which version, and a digest of what is learned from it. */
export interface ReadPage {
  readonly version: string;
  readonly page: BookPage;
  readonly digest: string;
}

/** All that a book is learned from. */
export interface BookAsRead extends Omit<BookSources, "entries"> {
  /** Names all that the learning hangs on. */
  readonly from: string;
  readonly stamp: BookStamp;
  readonly pages: ReadonlyMap<string, ReadPage>;
}

const digestOf = (what: unknown): string => createHash("sha256").update(JSON.stringify(what)).digest("base64");

/** So many pages are read at a time; other requests are seen to in between. */
const PAGES_AT_A_TIME = 50;

/** Reads a book, and of one that was read before no more than what has changed. */
export class BookReading {
  private pages: ReadonlyMap<string, ReadPage> = new Map();
  private box: { readonly stamp: string; readonly own: Pick<BookSources, "paints" | "measurements"> } | null = null;

  async read(store: Store): Promise<BookAsRead> {
    const stamp = await store.logbook.stamp();
    const box = await this.boxOf(store, stamp.paints);
    const pages = await this.pagesOf(store);
    const from = digestOf([
      modelFingerprint(),
      [...pages.values()].map(({ digest }) => digest),
      box.paints.map(({ id, pigments, tintingStrength }) => [id, pigments, tintingStrength]),
      box.measurements.map(({ id, counts }) => [id, counts]),
    ]);
    return { from, stamp, pages, ...box };
  }

  private async boxOf(store: Store, stamp: string): Promise<Pick<BookSources, "paints" | "measurements">> {
    if (this.box?.stamp === stamp) return this.box.own;
    const [paints, measurements] = await Promise.all([store.paintbox.paints(), store.measurements.list()]);
    // Of a paint its label alone: notes, boxes and stock are not learned from.
    const labels = paints.map(({ id, pigments, tintingStrength }) => ({ id, pigments, tintingStrength }));
    this.box = { stamp, own: { paints: labels, measurements } };
    return this.box.own;
  }

  private async pagesOf(store: Store): Promise<ReadonlyMap<string, ReadPage>> {
    const there = await store.logbook.versions();
    const changed = there.filter(({ id, version }) => this.pages.get(id)?.version !== version);
    const versions = new Map(there.map(({ id, version }) => [id, version]));
    const read = new Map<string, ReadPage>();
    for (let at = 0; at < changed.length; at += PAGES_AT_A_TIME) {
      const ids = changed.slice(at, at + PAGES_AT_A_TIME).map(({ id }) => id);
      for (const { id, binned, document } of await store.logbook.some(ids)) {
        const { on, paperId, mixes, paints } = document;
        const page = { binned, document: { on, paperId, mixes, paints } };
        read.set(id, { version: versions.get(id)!, page, digest: digestOf(page) });
      }
      await new Promise((resolve) => setImmediate(resolve));
    }
    this.pages = new Map(
      there.flatMap(({ id }) => {
        const page = read.get(id) ?? this.pages.get(id);
        return page ? [[id, page] as const] : [];
      }),
    );
    return this.pages;
  }
}
