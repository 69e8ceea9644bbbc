import { redirect } from "next/navigation";
import { Suspense } from "react";
import { FirstPainting } from "@/rooms/desk/first-painting";
import { Opening } from "@/ui/opening";
import { opened } from "./opened";

async function Latest() {
  return opened(async (store) => {
    const [latest] = await store.paintings.list();
    if (latest) redirect(`/painting/${latest.id}`);
    return { room: <FirstPainting />, revisions: {} };
  });
}

/** Opens the painting last worked on. */
export default function Home() {
  return (
    <Suspense fallback={<Opening />}>
      <Latest />
    </Suspense>
  );
}
