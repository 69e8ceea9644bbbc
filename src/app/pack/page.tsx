import type { Metadata } from "next";
import { Suspense } from "react";
import { Pack } from "@/rooms/pack/pack";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPack() {
  return opened(async (store) => {
    const [shelf, { paints, learned }] = await Promise.all([store.paintings.shelf(), paintsAsLearned(store)]);
    return { room: <Pack shelf={shelf} paints={paints} learned={learned} />, revisions: {} };
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
