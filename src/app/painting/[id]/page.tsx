import { notFound } from "next/navigation";
import { preload } from "react-dom";
import { Suspense } from "react";
import { z } from "zod";
import { PackedDesk } from "@/rooms/desk/desk";
import { PAINTBOX_URL, paintingUrl, viewCopyUrl } from "@/model/addresses";
import { noteOnDesk, shareAddresses } from "@/server/context/beside";
import { pack } from "@/server/packed";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { InTheBin } from "@/rooms/paintings/in-the-bin";
import { opened, type OpenedRoom } from "../../opened";

async function OpenedDesk({ id }: { id: string }) {
  return opened(async (store): Promise<OpenedRoom> => {
    const [painting, { paints, learned, following }, titles, boxRevision, boxes] = await Promise.all([
      store.paintings.find(id),
      paintsAsLearned(store),
      store.paintings.list(),
      store.paintbox.revision(),
      store.paintbox.boxes(),
    ]);
    if (!painting) notFound();
    if (painting.binned) return { room: <InTheBin title={painting.document.title} />, revisions: {} };
    noteOnDesk(painting.id);
    // The first look at the photo comes while the desk is still being set up.
    preload(viewCopyUrl(painting.photo.id), { as: "fetch", crossOrigin: "anonymous" });
    return {
      room: (
        <PackedDesk
          key={painting.id}
          props={pack({ painting, paints, boxes, titles, learned, following, shared: shareAddresses().length > 0 })}
        />
      ),
      revisions: { [paintingUrl(id)]: painting.revision, [PAINTBOX_URL]: boxRevision },
      own: paintingUrl(id),
    };
  });
}

/** The desk with one painting on it. */
export default async function PaintingPage({ params }: { params: Promise<{ id: string }> }) {
  const id = z.uuid().safeParse((await params).id);
  if (!id.success) notFound();
  return (
    <Suspense fallback={<Opening />}>
      <OpenedDesk id={id.data} />
    </Suspense>
  );
}
