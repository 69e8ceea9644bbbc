import { Suspense } from "react";
import { findPaintbox } from "@/db/paintbox";
import { Paintbox } from "@/paintbox/paintbox";
import { database } from "@/server/house";
import { Opening } from "@/ui/opening";

async function OpenedPaintbox() {
  return <Paintbox stored={await findPaintbox(await database())} />;
}

/** The paints one owns. */
export default function PaintboxPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintbox />
    </Suspense>
  );
}
