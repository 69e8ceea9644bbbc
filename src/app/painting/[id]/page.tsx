import { notFound } from "next/navigation";
import { Suspense } from "react";
import { z } from "zod";
import { listStockedPaints } from "@/db/paintbox";
import { findPainting, listPaintings } from "@/db/paintings";
import { Desk } from "@/desk/desk";
import { database } from "@/server/house";
import { Opening } from "@/ui/opening";

async function OpenedDesk({ id }: { id: string }) {
  const db = await database();
  const [painting, paints, titles] = await Promise.all([findPainting(db, id), listStockedPaints(db), listPaintings(db)]);
  if (!painting) notFound();
  return <Desk key={painting.id} painting={painting} paints={paints} titles={titles} />;
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
