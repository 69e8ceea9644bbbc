import type { Metadata } from "next";
import { Suspense } from "react";
import { z } from "zod";
import { PAINTBOX_URL } from "@/model/addresses";
import { PackedTryMix } from "@/rooms/try-mix/try-mix";
import { pack } from "@/server/packed";
import { paintsAsLearned } from "@/server/learned";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

const query = z.object({ paint: z.string().max(60).optional().catch(undefined) });

async function OpenedTrial({ start }: { start: string | null }) {
  return opened(async (store) => {
    const [{ paints, learned, following }, boxRevision] = await Promise.all([
      paintsAsLearned(store),
      store.paintbox.revision(),
    ]);
    return {
      room: <PackedTryMix props={pack({ owned: paints, learned, following, start })} />,
      revisions: { [PAINTBOX_URL]: boxRevision },
    };
  });
}

export const metadata: Metadata = { title: "Try a mix" };

/** Up to three paints tried together. */
export default async function TryMixPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { paint } = query.parse(await searchParams);
  return (
    <Suspense fallback={<Opening />}>
      <OpenedTrial start={paint ?? null} />
    </Suspense>
  );
}
