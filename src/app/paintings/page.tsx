import type { Metadata } from "next";
import { Suspense } from "react";
import { Paintings } from "@/rooms/paintings/paintings";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPaintings() {
  return opened(async (store) => {
    const [shelf, { paints }] = await Promise.all([store.paintings.shelf(), paintsAsLearned(store)]);
    return { room: <Paintings shelf={shelf} paints={paints} />, revisions: {} };
  });
}

export const metadata: Metadata = { title: "Paintings" };

/** All paintings as pictures: open, double, rename, put in the bin, take out again. */
export default function PaintingsPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintings />
    </Suspense>
  );
}
