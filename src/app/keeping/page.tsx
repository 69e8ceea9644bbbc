import type { Metadata } from "next";
import { Suspense } from "react";
import { Keeping } from "@/rooms/keeping/keeping";
import { datedCopies, whereKept } from "@/server/context/house";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

async function OpenedKeeping() {
  return opened(async ({ keeping }) => {
    const [holds, space, copies] = await Promise.all([keeping.holdings(), keeping.photoSpace(), datedCopies()]);
    return { room: <Keeping holds={holds} space={space} copies={copies} where={whereKept()} />, revisions: {} };
  });
}

export const metadata: Metadata = { title: "Safe keeping" };

/** Everything as one file and back, and the copies that are made by themselves. */
export default function KeepingPage() {
  return (
    <Suspense fallback={<Opening />}>
      <OpenedKeeping />
    </Suspense>
  );
}
