import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { Beside } from "@/rooms/desk/beside/beside";
import { Pair } from "@/rooms/desk/beside/pair";
import { contentOf, isPaired, paintingOnDesk, shareAddresses, storeBeside } from "@/server/context/beside";
import { paintsAsLearned } from "@/server/learned";
import { QuietPage } from "@/ui/quiet-page";

export const metadata: Metadata = { title: "Beside the easel" };

/** The plan of the painting on the desk, on a second screen; the way to pair it for one that is not. */
export default async function BesidePage() {
  if (shareAddresses().length === 0) notFound();
  if (!(await isPaired())) return <Pair />;
  const store = await storeBeside();
  const [painting, { paints, learned }] = await Promise.all([paintingOnDesk(store), paintsAsLearned(store)]);
  if (!painting)
    return (
      <QuietPage title="No painting lies on the desk">
        <p>Open one there, then look again.</p>
        <a className="btn btn-primary mt-6" href="?">
          Look again
        </a>
      </QuietPage>
    );
  return (
    <Beside
      key={painting.id}
      painting={painting}
      content={contentOf(painting.document)}
      paints={paints.map((paint) => ({ ...paint, notes: "", price: null }))}
      learned={learned}
    />
  );
}
