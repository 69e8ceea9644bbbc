"use client";

import { FileDown } from "lucide-react";
import { useState } from "react";
import { describeColour } from "@/core/colour";
import { planTable } from "@/core/formats";
import { coatsOf } from "@/core/planning";
import { PRINT_PAGES, type PrintedTest, type PrintPage, type PrintRequest } from "@/model/printed-plan";
import { answerOf, jsonOf } from "@/ui/ask";
import { offerBlob, offerFile } from "@/ui/offer-file";
import { ViewChoice } from "@/ui/view-choice";
import { useToday } from "@/ui/use-today";
import { useDesk } from "../desk-store";
import { colourOf } from "../mixed";
import { namedParts, usePaints } from "../paints";
import { ReadTests } from "./read-tests";
import { TestRow } from "./test-row";
import { coatsWords, useMadeFor, usePrinted } from "./use-printed";
import { usePlan } from "./use-plan";
import { useTests } from "./use-tests";

const PAGE_NAMES: Readonly<Record<PrintPage, string>> = { a4: "A4", letter: "Letter", half: "half A4" };

/** Asks for a PDF; why there is none, or null when it was offered. */
async function offerPdf(name: string, request: PrintRequest): Promise<string | null> {
  const answer = await answerOf("/api/prints", jsonOf("POST", request));
  if (typeof answer === "string") return answer;
  offerBlob(name, await answer.blob());
  return null;
}

/** The test sheet as it is printed. */
function usePrintedTest(): PrintedTest {
  const { mixes, ring, meeting } = useTests();
  const title = useDesk((s) => s.document.title);
  const madeFor = useMadeFor();
  const today = useToday();
  const paints = usePaints();
  const { plan } = usePlan();
  return {
    title,
    on: today,
    madeFor,
    mixes: mixes.flatMap(({ colour, p90, why }) => {
      const parts = colour.recipe && namedParts(colour.recipe, paints);
      if (!parts || !colour.laid) return [];
      return [
        {
          parts: parts.map(({ name, parts: own }) => ({ name, parts: own })),
          strength: coatsWords(coatsOf(plan.washes, colour.id, colour.laid.waterParts)),
          mark: colour.mark,
          name: colour.name,
          value: describeColour(colourOf(colour)).value,
          why: `${why === "dark" ? "the large dark" : "much hangs on it"}; nine in ten within ${p90.toFixed(0)}`,
        },
      ];
    }),
    ring: ring.map(({ name }) => name),
    meeting: meeting && {
      one: meeting[0].name,
      two: meeting[1].name,
      why: "They meet wet, and are the most unlike of those that do: lay one, then the other against it at once.",
    },
  };
}

/** What is tried first, and the plan to take along: on paper, and as data. */
export function AwayView() {
  const printed = usePrinted();
  const test = usePrintedTest();
  const { mixes } = useTests();
  const [page, setPage] = useState<PrintPage>("a4");
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const offer = (name: string, request: PrintRequest): void => {
    setBusy(true);
    void offerPdf(name, request).then((wrong) => {
      setFault(wrong);
      setBusy(false);
    });
  };
  const key = "btn btn-outline btn-sm";
  return (
    <div className="space-y-4">
      <section aria-label="On paper" className="space-y-2">
        <ViewChoice
          label="Page"
          views={PRINT_PAGES.map((view) => ({ view, name: PAGE_NAMES[view] }))}
          shown={page}
          onShow={setPage}
        />
        <div className="flex flex-wrap gap-2">
          <button
            type="button"
            className={key}
            disabled={busy || printed.washes.length === 0}
            onClick={() => offer("plan.pdf", { what: "plan", page, plan: printed })}
          >
            <FileDown size={15} aria-hidden /> Plan as PDF
          </button>
          <button
            type="button"
            className={key}
            disabled={busy || test.mixes.length === 0}
            onClick={() => offer("test-sheet.pdf", { what: "test", page, test })}
          >
            <FileDown size={15} aria-hidden /> Test sheet as PDF
          </button>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <span className="label-line">The plan as data</span>
          <button
            type="button"
            className={key}
            disabled={printed.washes.length === 0}
            onClick={() => offerFile("plan.json", "application/json", JSON.stringify(printed, null, 2))}
          >
            JSON
          </button>
          <button
            type="button"
            className={key}
            disabled={printed.washes.length === 0}
            onClick={() => offerFile("plan.csv", "text/csv", planTable(printed.washes))}
          >
            CSV
          </button>
        </div>
        {fault !== null && (
          <p role="alert" className="text-error">
            {fault}
          </p>
        )}
      </section>
      <section aria-label="Test first">
        <h3 className="font-semibold">Test first</h3>
        <p className="quiet leading-snug">
          The mixes on which most hangs, by how far they may come out off, their size and weight. Half a brushful, drawn
          out, dried; then read the sheet from a photo (not the half one), or type the value it came to.
        </p>
        {mixes.length > 0 && (
          <>
            <ReadTests colours={mixes.map(({ colour }) => colour)} />
            <p className="mt-1 leading-snug">
              With little time:{" "}
              <a className="link" href="/logbook?view=next">
                the three swatches that would tell most
              </a>
              .
            </p>
          </>
        )}
        {mixes.length === 0 ? (
          <p className="mt-2">No colour has a mix yet.</p>
        ) : (
          <ul aria-label="Mixes to test" className="mt-2 border-b border-(--hairline)">
            {mixes.map((one) => (
              <TestRow key={one.colour.id} test={one} />
            ))}
          </ul>
        )}
        <p className="quiet mt-2 text-[0.9rem] leading-snug">
          A corrected recipe keeps its new strength; what is predicted goes on by the label. Measuring the paint mends
          that as well, in every painting.
        </p>
      </section>
    </div>
  );
}
