import { redirect } from "next/navigation";
import { Suspense } from "react";
import { FirstPainting } from "@/rooms/desk/first-painting";
import { paintingPage } from "@/model/addresses";
import { isOpen } from "@/server/context/house";
import { Opening } from "@/ui/opening";
import { opened } from "./opened";

async function Latest() {
  return opened(async (store) => {
    const [latest] = await store.paintings.list();
    if (latest) redirect(paintingPage(latest.id));
    return { room: <FirstPainting />, revisions: {} };
  });
}

/** Opens the painting last worked on. */
export default function Home() {
  // Where nothing is waited for, the way on is an answer of the server's, not a script of a page.
  if (isOpen()) return <Latest />;
  return (
    <Suspense fallback={<Opening />}>
      <Latest />
    </Suspense>
  );
}
