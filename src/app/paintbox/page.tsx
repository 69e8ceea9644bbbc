import { Suspense } from "react";
import { listMeasurements } from "@/db/measurements";
import { findPaintbox } from "@/db/paintbox";
import { Paintbox } from "@/paintbox/paintbox";
import { PAINTBOX_URL } from "@/model/addresses";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPaintbox() {
  return opened(async (db) => {
    const [stored, measurements] = await Promise.all([findPaintbox(db), listMeasurements(db)]);
    return { room: <Paintbox stored={stored} measurements={measurements} />, revisions: { [PAINTBOX_URL]: stored.revision }, own: PAINTBOX_URL };
  });
}

/** The paints one owns. */
export default function PaintboxPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintbox />
    </Suspense>
  );
}
