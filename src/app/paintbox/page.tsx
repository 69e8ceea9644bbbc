import { Suspense } from "react";
import { listMeasurements } from "@/db/measurements";
import { findPaintbox } from "@/db/paintbox";
import { Paintbox } from "@/paintbox/paintbox";
import { database } from "@/server/house";
import { Opening } from "@/ui/opening";

async function OpenedPaintbox() {
  const db = await database();
  const [stored, measurements] = await Promise.all([findPaintbox(db), listMeasurements(db)]);
  return <Paintbox stored={stored} measurements={measurements} />;
}

/** The paints one owns. */
export default function PaintboxPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintbox />
    </Suspense>
  );
}
