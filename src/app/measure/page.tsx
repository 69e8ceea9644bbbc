import { Suspense } from "react";
import { z } from "zod";
import { listCards } from "@/db/measurements";
import { listStockedPaints, paintboxRevision } from "@/db/paintbox";
import { listRecipes } from "@/db/paintings";
import { demoCard } from "@/db/settings";
import { Measure } from "@/measure/measure";
import { PAINTBOX_URL } from "@/model/addresses";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

const query = z.object({ paint: z.uuid().optional().catch(undefined) });

async function OpenedMeasure({ start }: { start: string | null }) {
  return opened(async (db) => {
    const [paints, cards, recipes, demo, boxRevision] = await Promise.all([listStockedPaints(db), listCards(db), listRecipes(db), demoCard(db), paintboxRevision(db)]);
    return { room: <Measure paints={paints} cards={cards} recipes={recipes} demoCard={demo} start={start} />, revisions: { [PAINTBOX_URL]: boxRevision } };
  });
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
