import type { Metadata } from "next";
import { Suspense } from "react";
import { z } from "zod";
import { LOGBOOK_URL, logEntryUrl } from "@/model/addresses";
import { PackedLogbook } from "@/rooms/logbook/logbook";
import { learnedBook, stockedBox } from "@/server/learned";
import { entriesHere } from "@/server/logbook-shown";
import { pack } from "@/server/packed";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

const query = z.object({
  entry: z.uuid().optional().catch(undefined),
  /** "next": straight to what to paint next. */
  view: z.literal("next").optional().catch(undefined),
});

async function OpenedLogbook({ start, next }: { start: string | null; next: boolean }) {
  return opened(async (store) => {
    const [entries, paints, taught, titles, eye] = await Promise.all([
      entriesHere(store),
      // As their labels and cards have them: what the book teaches changes while it is open.
      stockedBox(store),
      learnedBook(store),
      store.paintings.list(),
      store.eye.list(),
    ]);
    return {
      room: (
        <PackedLogbook
          props={pack({
            stored: entries,
            paints,
            learned: taught.book,
            following: taught.following,
            titles,
            eye,
            start,
            next,
          })}
        />
      ),
      revisions: Object.fromEntries(entries.map(({ id, revision }) => [logEntryUrl(id), revision])),
      own: LOGBOOK_URL,
    };
  });
}

export const metadata: Metadata = { title: "Logbook" };

/** Every swatch, mix, test and painting, dated; and what they have taught. */
export default async function LogbookPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { entry, view } = query.parse(await searchParams);
  return (
    <Suspense fallback={<Opening />}>
      <OpenedLogbook start={entry ?? null} next={view === "next"} />
    </Suspense>
  );
}
