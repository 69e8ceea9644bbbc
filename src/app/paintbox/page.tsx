import type { Metadata } from "next";
import { Suspense } from "react";
import { PackedPaintbox } from "@/rooms/paintbox/paintbox";
import { PAINTBOX_URL } from "@/model/addresses";
import { pack } from "@/server/packed";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedPaintbox({ asked }: { asked: PaintboxPageProps["searchParams"] }) {
  const begin = "begin" in (await asked);
  return opened(async (store) => {
    const [stored, measurements] = await Promise.all([store.paintbox.find(), store.measurements.list()]);
    return {
      room: <PackedPaintbox props={pack({ stored, measurements, begin })} />,
      revisions: { [PAINTBOX_URL]: stored.revision },
      own: PAINTBOX_URL,
    };
  });
}

export const metadata: Metadata = { title: "Paintbox" };

interface PaintboxPageProps {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** The paints one owns; with "?begin" the list to tick them off lies open. */
export default function PaintboxPage({ searchParams }: PaintboxPageProps) {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedPaintbox asked={searchParams} />
    </Suspense>
  );
}
