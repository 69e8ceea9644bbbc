"use client";

import { Play } from "lucide-react";
import { counted } from "@/model/text";
import { satWashes } from "@/model/plan";
import { Caution } from "@/ui/caution";
import { ViewChoice } from "@/ui/view-choice";
import type { PlanView } from "../desk-state";
import { PLAN_VIEWS } from "../desk-state";
import { useDesk } from "../desk-store";
import { AmountsView } from "./amounts-view";
import { AwayView } from "./away-view";
import { ConditionsPanel } from "./conditions";
import { LightsPanel } from "./lights";
import { OrderList } from "./order-list";
import { usePlan } from "./use-plan";
import { useWashNames } from "./wash-names";
import { clockWords, minutesWords, unmixedWords, washesWords } from "./words";

const VIEWS: Readonly<Record<PlanView, { name: string; title: string }>> = {
  order: { name: "Order", title: "Which wash when, and what it waits for" },
  puddles: { name: "How much", title: "What to mix before the clock runs, and what it takes of each paint" },
  away: { name: "To take along", title: "The plan on paper, as data, and a test sheet" },
};

/** From this part of the time on a hand is no longer fresh. From memory. */
const LATE = 0.6;

/** The order of painting: its time, its rules, and how to keep the lights. */
function OrderView() {
  const { plan, areas, unmixed } = usePlan();
  const order = useDesk((s) => s.document.plan.order);
  const sat = satWashes(useDesk((s) => s.document.plan));
  const changePlan = useDesk((s) => s.changePlan);
  const paintBy = useDesk((s) => s.paintBy);
  const { nameOf } = useWashNames();
  if (plan.washes.length === 0)
    return <p className="leading-snug">No colour has a mix yet: what can&apos;t be mixed can&apos;t be planned.</p>;
  const begun = plan.washes.some(({ key }) => sat.has(key));
  const saves = plan.minutes - plan.withDryer;
  const focal = plan.washes.find(
    ({ areaId, task }) => task === "first" && areas.some(({ id, focal: is }) => is && id === areaId),
  );
  const shapes = new Set(plan.washes.map(({ areaId }) => areaId)).size;
  const stood = new Set<string>();
  const stop = plan.washes.flatMap(({ areaId, task }, i) => {
    if (task === "first") stood.add(areaId);
    return stood.size === shapes ? [i + 1] : [];
  })[0];
  return (
    <div className="space-y-3">
      <p className="leading-snug">
        <span className="font-semibold">{minutesWords(plan.minutes)}</span> for {washesWords(plan.washes.length)}
        {plan.waiting >= 1 &&
          `, ${minutesWords(plan.waiting)} of it waiting, ${minutesWords(plan.longestWait)} at once`}
        .{" "}
        <span className="quiet">
          {order === null
            ? `No order that keeps all rules is shorter${plan.proven ? "" : ", as far as was searched"}.`
            : plan.broken.length === 0
              ? `Your order keeps all rules; the shortest takes ${minutesWords(plan.shortest)}.`
              : `Your order breaks ${counted(plan.broken.length, "rule")}; the shortest that keeps them takes ${minutesWords(plan.shortest)}.`}
          {saves >= 1 && ` A dryer would save ${minutesWords(saves)}.`}
        </span>
      </p>
      {unmixed.length > 0 && (
        <p className="leading-snug text-warning">{unmixedWords(unmixed.map(({ name }) => name))}</p>
      )}
      <div className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={() => paintBy(true)}>
          <Play size={15} aria-hidden /> {begun ? "Go on painting" : "Paint by this plan"}
        </button>
        {order !== null && (
          <button type="button" className="btn btn-outline btn-sm" onClick={() => changePlan({ order: null })}>
            Back to the proposed order
          </button>
        )}
      </div>
      <ConditionsPanel />
      <OrderList />
      {focal && focal.start > LATE * plan.minutes && (
        <p className="leading-snug">
          The focal point, {nameOf(focal.key)}, comes late, at {clockWords(focal.start)}: rest before it, and paint it
          fresh.
        </p>
      )}
      {stop !== undefined && stop < plan.washes.length && (
        <p className="leading-snug">
          One could stop after {nameOf(plan.washes[stop - 1]!.key)}, wash {stop} of {plan.washes.length}: every shape
          stands by then, and what follows deepens it.
        </p>
      )}
      <LightsPanel />
      {saves >= 1 && <Caution of="heat" />}
    </div>
  );
}

const SHOWN: Readonly<Record<PlanView, () => React.ReactNode>> = {
  order: OrderView,
  puddles: AmountsView,
  away: AwayView,
};

/** From the palette to the hour of painting: order and time, how much to mix, and what to take along. */
export function PlanStep() {
  const view = useDesk((s) => s.planView);
  const showPlan = useDesk((s) => s.showPlan);
  const Shown = SHOWN[view];
  return (
    <section aria-label="Plan step" className="space-y-3 p-6 pt-4">
      <h2 className="name-face text-2xl">The hour of painting</h2>
      <ViewChoice
        label="What is planned"
        views={PLAN_VIEWS.map((one) => ({ view: one, ...VIEWS[one] }))}
        shown={view}
        onShow={showPlan}
      />
      <Shown />
    </section>
  );
}
