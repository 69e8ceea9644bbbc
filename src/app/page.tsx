import { redirect } from "next/navigation";
import { Suspense } from "react";
import { listPaintings } from "@/db/paintings";
import { FirstPainting } from "@/desk/first-painting";
import { database } from "@/server/house";
import { Opening } from "@/ui/opening";

async function Latest() {
  const [latest] = await listPaintings(await database());
  if (latest) redirect(`/painting/${latest.id}`);
  return <FirstPainting />;
}

/** Opens the painting last worked on. */
export default function Home() {
  return (
    <Suspense fallback={<Opening />}>
      <Latest />
    </Suspense>
  );
}
