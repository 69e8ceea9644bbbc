import { Suspense } from "react";
import { z } from "zod";
import { listCards } from "@/db/measurements";
import { listStockedPaints } from "@/db/paintbox";
import { listRecipes } from "@/db/paintings";
import { demoCard } from "@/db/settings";
import { Measure } from "@/measure/measure";
import { database } from "@/server/house";
import { Opening } from "@/ui/opening";

const query = z.object({ paint: z.uuid().optional().catch(undefined) });

async function OpenedMeasure({ start }: { start: string | null }) {
  const db = await database();
  const [paints, cards, recipes, demo] = await Promise.all([listStockedPaints(db), listCards(db), listRecipes(db), demoCard(db)]);
  return <Measure paints={paints} cards={cards} recipes={recipes} demoCard={demo} start={start} />;
}

/** Paints measured from one's own swatches. */
export default async function MeasurePage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { paint } = query.parse(await searchParams);
  return (
    <Suspense fallback={<Opening />}>
      <OpenedMeasure start={paint ?? null} />
    </Suspense>
  );
}
