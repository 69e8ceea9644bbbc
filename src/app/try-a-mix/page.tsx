import { Suspense } from "react";
import { z } from "zod";
import { listStockedPaints } from "@/db/paintbox";
import { database } from "@/server/house";
import { TryMix } from "@/try-mix/try-mix";
import { Opening } from "@/ui/opening";

const query = z.object({ paint: z.string().max(60).optional().catch(undefined) });

async function OpenedTrial({ start }: { start: string | null }) {
  return <TryMix owned={await listStockedPaints(await database())} start={start} />;
}

/** Up to three paints tried together. */
export default async function TryMixPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { paint } = query.parse(await searchParams);
  return (
    <Suspense fallback={<Opening />}>
      <OpenedTrial start={paint ?? null} />
    </Suspense>
  );
}
