import type { Metadata } from "next";
import { Suspense } from "react";
import { Paintbox } from "@/rooms/paintbox/paintbox";
import { PAINTBOX_URL } from "@/model/addresses";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPaintbox() {
  return opened(async (store) => {
    const [stored, measurements] = await Promise.all([store.paintbox.find(), store.measurements.list()]);
    return {
      room: <Paintbox stored={stored} measurements={measurements} />,
      revisions: { [PAINTBOX_URL]: stored.revision },
      own: PAINTBOX_URL,
    };
  });
}

export const metadata: Metadata = { title: "Paintbox" };

/** The paints one owns. */
export default function PaintboxPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintbox />
    </Suspense>
  );
}
