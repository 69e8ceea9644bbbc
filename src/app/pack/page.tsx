import type { Metadata } from "next";
import { Suspense } from "react";
import { Pack } from "@/rooms/pack/pack";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPack() {
  return opened(async (store) => {
    const [shelf, paints] = await Promise.all([store.paintings.shelf(), store.paintbox.stockedPaints()]);
    return { room: <Pack shelf={shelf} paints={paints} />, revisions: {} };
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
