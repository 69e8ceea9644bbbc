import type { Metadata } from "next";
import { Suspense } from "react";
import { z } from "zod";
import { PackedMeasure } from "@/rooms/measure/measure";
import { PAINTBOX_URL } from "@/model/addresses";
import { stockedBox } from "@/server/learned";
import { pack } from "@/server/packed";
import { Opening } from "@/ui/opening";
import { opened } from "../opened";

const query = z.object({ paint: z.uuid().optional().catch(undefined) });

/** So many mixes of the paintings changed last are looked at when a measured paint moves its mixes. */
const RECIPES_SEEN = 1000;

async function OpenedMeasure({ start }: { start: string | null }) {
  return opened(async (store) => {
    const [paints, cards, recipes, card, box, boxes, revision] = await Promise.all([
      stockedBox(store),
      store.cards.list(),
      store.paintings.recipes(RECIPES_SEEN),
      store.settings.demoSheet("card"),
      store.settings.demoSheet("box"),
      store.paintbox.boxes(),
      store.paintbox.revision(),
    ]);
    // What is put away is not measured: the demo's paints and its painted sheets go and come back together.
    const here = paints.filter(({ status }) => status !== "put away");
    const ids = new Set(here.map(({ id }) => id));
    const demo = here.some((paint) => paint.demo);
    return {
      room: (
        <PackedMeasure
          props={pack({
            paints: here,
            cards: cards.filter((sheet) => sheet.paints.some((id) => ids.has(id))),
            recipes,
            boxes,
            demoSheets: demo ? { card, box } : { card: null, box: null },
            start,
          })}
        />
      ),
      revisions: { [PAINTBOX_URL]: revision },
    };
  });
}

export const metadata: Metadata = { title: "Measure paints" };

/** Paints measured from one's own swatches. */
export default async function MeasurePage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { paint } = query.parse(await searchParams);
  return (
    <Suspense fallback={<Opening />}>
      <OpenedMeasure start={paint ?? null} />
    </Suspense>
  );
}
