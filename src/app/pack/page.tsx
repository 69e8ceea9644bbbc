import type { Metadata } from "next";
import { Suspense } from "react";
import { PackedPack } from "@/rooms/pack/pack";
import { pack } from "@/server/packed";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPack() {
  return opened(async (store) => {
    const [shelf, { paints, learned, following }] = await Promise.all([
      store.paintings.shelf(),
      paintsAsLearned(store),
    ]);
    return { room: <PackedPack props={pack({ shelf, paints, learned, following })} />, revisions: {} };
  });
}

export const metadata: Metadata = { title: "Pack a box" };

/** A box for several paintings. */
export default function PackPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPack />
    </Suspense>
  );
}
