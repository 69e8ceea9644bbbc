import type { Metadata } from "next";
import { Suspense } from "react";
import { Paintings } from "@/rooms/paintings/paintings";
import { presentPainter } from "@/server/context/house";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPaintings() {
  return opened(async (store) => {
    const [shelf, { paints }, painter] = await Promise.all([
      store.paintings.shelf(),
      paintsAsLearned(store),
      presentPainter(),
    ]);
    return { room: <Paintings shelf={shelf} paints={paints} painter={painter} />, revisions: {} };
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
