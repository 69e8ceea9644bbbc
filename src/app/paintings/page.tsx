import type { Metadata } from "next";
import { Suspense } from "react";
import { PackedPaintings } from "@/rooms/paintings/paintings";
import { presentPainter } from "@/server/context/house";
import { pack } from "@/server/packed";
import { paintsAsLearned } from "@/server/learned";
import type { ShelvedPainting } from "@/model/shelf";
import type { StockedPaint } from "@/storage/ports";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

/** The paints that lie in a tray: of the others nothing is shown here. */
function inTrays(shelf: readonly ShelvedPainting[], paints: readonly StockedPaint[]): readonly StockedPaint[] {
  const laid = new Set(shelf.flatMap(({ paintIds }) => paintIds));
  return paints.filter(({ id }) => laid.has(id));
}

async function OpenedPaintings() {
  return opened(async (store) => {
    const [shelf, { paints }, painter] = await Promise.all([
      store.paintings.shelf(),
      paintsAsLearned(store),
      presentPainter(),
    ]);
    return {
      room: <PackedPaintings props={pack({ shelf, paints: inTrays(shelf, paints), painter })} />,
      revisions: {},
    };
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
