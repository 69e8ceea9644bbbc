"use client";

import { useState } from "react";
import { squeezedCm } from "@/core/planning";
import { satWashes } from "@/model/plan";
import { mlToMix } from "@/model/amount-words";
import { capital, counted, listed } from "@/model/text";
import { RecipeBar } from "@/ui/recipe-bar";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk } from "../desk-store";
import { noteLow } from "@/ui/ask";
import { usePaper, type KnownPaint } from "../paints";
import { puddleSteps } from "./puddle-words";
import { isTube, useAmounts, type PuddleToMixNow } from "./use-amounts";
import { usePlan } from "./use-plan";
import { brushWords, mlWords, squeezedWords } from "./words";

const BAR_WIDTH = 360;
/** From this on a wash is told as one that drinks, ml. From memory. */
const DRINKS_ML = 4;

function PuddleRow({ puddle, number }: { puddle: PuddleToMixNow; number: number }) {
  const paper = usePaper();
  const { parts, well, brush, serves, from } = puddle;
  const { amount, stock } = well;
  const coats = serves.flatMap(({ colour, coats: count }) =>
    count > 1 ? [`${colour.name}: ${count === 2 ? "two" : "three"} coats of it, dry between`] : [],
  );
  const drinks = amount.laidMl >= DRINKS_ML ? ["This is what a big wash drinks"] : [];
  return (
    <li className={`border-t border-(--hairline) py-2 ${from === null ? "" : "pl-6"}`}>
      <p className="flex items-baseline gap-2">
        <span className="quiet text-[0.87rem]">{number}</span>
        <span className="font-semibold">{mlToMix(stock.ml)}</span>
        <span className="quiet text-[0.9rem]">
          {amount.laidMl > 0 && `${counted(amount.brushfuls, "brushful")} on the sheet, `}
          {brushWords(brush)}
        </span>
      </p>
      {from !== null && <p className="text-[0.9rem]">From some of puddle {from}, with a paint more:</p>}
      <RecipeBar parts={parts} paper={paper} width={from === null ? BAR_WIDTH : BAR_WIDTH - 24} />
      <div role="group" aria-label={`How puddle ${number} is mixed`} className="leading-snug">
        {puddleSteps(puddle).map((step) => (
          <p key={step}>{capital(step)}.</p>
        ))}
      </div>
      {coats.length + drinks.length > 0 && (
        <p className="quiet text-[0.9rem] leading-snug">{[...coats, ...drinks].join(". ")}.</p>
      )}
    </li>
  );
}

/** Paints that will run out, told, and put on the list to buy by a press. */
function RunningOut({ paints }: { paints: readonly KnownPaint[] }) {
  const [listedToo, setListedToo] = useState(paints.every(({ status }) => status === "low"));
  const [fault, setFault] = useState<string | null>(null);
  const names = listed(paints.map(({ name }) => name));
  const list = async (): Promise<void> => {
    const wrong = await noteLow(paints.map(({ id }) => id));
    setFault(wrong);
    setListedToo(wrong === null);
  };
  return (
    <div className="space-y-1" role="status">
      <p className="leading-snug text-warning">
        {names} will run out: buy before painting, or plan with another.
        {listedToo && " On the list to buy."}
      </p>
      {!listedToo && (
        <button type="button" className="btn btn-outline btn-sm" onClick={() => void list()}>
          Put on the list to buy
        </button>
      )}
      {fault !== null && <p className="text-error">{fault}</p>}
    </div>
  );
}

const OFS = [
  { view: "left", name: "what is left to paint", title: "For a later sitting: what was painted is taken off" },
  { view: "all", name: "the whole painting" },
] as const;
type Of = (typeof OFS)[number]["view"];

/** Everything that is mixed before the clock runs: each puddle, in which order; what it takes of each paint. */
export function AmountsView() {
  const { plan } = usePlan();
  const sat = satWashes(useDesk((s) => s.document.plan));
  const left = plan.washes.filter(({ key }) => !sat.has(key)).length;
  const begun = left > 0 && left < plan.washes.length;
  const [of, setOf] = useState<Of>("left");
  const { puddles, needs } = useAmounts(begun ? of : "all");
  if (puddles.length === 0) return <p className="leading-snug">No colour has a mix yet, so there is no puddle.</p>;
  const scarce = needs.filter(({ ml, leftMl }) => leftMl !== null && leftMl < ml);
  const soften = needs.filter(({ paint }) => !isTube(paint));
  const priced = needs.filter(({ price }) => price !== null);
  const currencies = [...new Set(priced.map(({ paint }) => paint.currency))];
  const thinned = puddles.reduce((sum, { well }) => sum + well.thinned.length, 0);
  return (
    <section aria-label="Puddles and paint" className="space-y-4">
      {begun && <ViewChoice label="Amounts for" views={OFS} shown={of} onShow={setOf} />}
      <p className="quiet leading-snug">
        Mixed before the clock runs, in {counted(puddles.length, "well")}
        {thinned > 0 && `, with ${counted(thinned, "place")} beside them to thin in`}: in this order a hurried rinsing
        spoils least. A third more than the sheet takes is reckoned in, and what stays in brush and well; too little is
        the usual mistake.
      </p>
      {soften.length > 0 && (
        <p className="leading-snug">
          Wet first, so that they are soft by then: {listed(soften.map(({ paint }) => paint.name))}.
        </p>
      )}
      <ol aria-label="Puddles in the order of mixing">
        {puddles.map((puddle, i) => (
          <PuddleRow
            key={puddle.parts.map(({ paint, parts }) => `${paint.id} ${parts}`).join()}
            puddle={puddle}
            number={i + 1}
          />
        ))}
      </ol>
      <table className="w-full text-[0.95rem]" aria-label="Paint for this painting">
        <thead>
          <tr className="label-line text-left">
            <th className="font-normal">paint</th>
            <th className="text-right font-normal">takes</th>
            <th className="text-right font-normal">squeezed out</th>
            <th className="text-right font-normal">left</th>
          </tr>
        </thead>
        <tbody>
          {needs.map((need) => (
            <tr key={need.paint.id} className="border-t border-(--hairline)">
              <td className="name-face py-1 pr-2">{need.paint.name}</td>
              <td className="text-right">{mlWords(need.ml)}</td>
              <td className="quiet text-right">
                {isTube(need.paint) ? squeezedWords(squeezedCm(need.ml)) : "off the pan"}
              </td>
              <td className={`text-right ${scarce.includes(need) ? "font-semibold text-warning" : "quiet"}`}>
                {need.leftMl === null ? "not noted" : mlWords(need.leftMl)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {scarce.length > 0 && <RunningOut paints={scarce.map(({ paint }) => paint)} />}
      {priced.length > 0 && (
        <p className="quiet leading-snug">
          {currencies
            .map((currency) =>
              `${priced.reduce((sum, { paint, price }) => sum + (paint.currency === currency ? price! : 0), 0).toFixed(2)} ${currency}`.trim(),
            )
            .join(" and ")}{" "}
          of paint{priced.length < needs.length && `, as far as prices are noted (${priced.length} of ${needs.length})`}
          .
        </p>
      )}
      <p className="quiet text-[0.9rem] leading-snug">
        Volumes follow from the size of each wash and the thickness of its film, which is a usual figure from memory, as
        are what brushes hold and how thick a bead a tube gives.
      </p>
    </section>
  );
}
