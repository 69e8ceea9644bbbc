"use client";

import dynamic from "next/dynamic";
import { useEffect, useMemo, useState } from "react";
import { puddlesOf } from "@/core/mixing";
import type { PuddlePlan } from "@/core/planning";
import type { StoredRecipe } from "@/model/painting";
import { staysFor } from "@/model/washes";
import { Disclosure } from "@/ui/disclosure";
import { troubleWith } from "@/ui/trouble";
import { messageOf } from "@/workers/paint-message";
import type { PuddleJob } from "@/workers/puddle-api";
import { puddleWorker } from "@/workers/start";
import { WorkerStopped } from "@/workers/worker-link";
import { useDesk } from "../desk-store";
import { laidWash, useHand, usePaints, usePaper } from "../paints";
import { mixingUnder } from "@/core/palette";
import { useTargets, useWantedColours } from "../targets";
import { HAND_WORDS } from "../palette-step/words";

/** The charts' library is large, and the mixes open without it. */
const PuddleChart = dynamic(() => import("./puddle-chart").then(({ PuddleChart: chart }) => chart), {
  ssr: false,
  loading: () => <div className="h-32" />,
});

interface Plans {
  /** Null while they are being made. */
  readonly plans: readonly PuddlePlan[] | null;
  readonly ids: readonly string[];
  readonly paintIds: readonly string[];
}

/** Plans of the tray's paints for all colours, what is laid over first washes among them. */
function usePlans(): Plans {
  const [worker] = useState(puddleWorker);
  const paints = usePaints();
  const paper = usePaper();
  const palette = useDesk((s) => s.document.palette);
  const approach = useDesk((s) => s.document.approach);
  const hand = useHand();
  const wanted = useWantedColours();
  const targets = useTargets();
  const asked = useMemo(() => {
    const known = palette.flatMap((id) => paints.get(id) ?? []);
    const tray = new Set(known.map(({ id }) => id));
    const laid = wanted.filter(({ recipe }) => !staysFor(recipe, tray));
    /** What lies under a colour: another one that is planned, or the recipe that stays there. */
    const overOf = (id: string | null): PuddleJob["targets"][number]["over"] => {
      if (id === null) return null;
      const place = laid.findIndex((colour) => colour.id === id);
      const stays = place < 0 ? wanted.find((colour) => colour.id === id)?.recipe : null;
      const wash = stays && laidWash(stays, paints);
      return wash
        ? { ...wash, parts: wash.parts.map(({ paint, parts }) => ({ paint: messageOf(paint), parts })) }
        : place < 0
          ? null
          : place;
    };
    const pinned = wanted.flatMap(({ recipe }) => (staysFor(recipe, tray) ? [recipe] : []));
    const standing = puddlesOf(pinned.map(({ parts }, i) => ({ id: String(i), parts, waterParts: 0, areaCm2: 0 })))
      .filter(({ uses }) => uses.length > 0)
      .map(({ parts }) =>
        parts.map(({ paintId, parts: amount }) => [known.findIndex(({ id }) => id === paintId), amount] as const),
      );
    const mixing = mixingUnder(approach);
    const job: PuddleJob = {
      paperId: paper.id,
      paints: known.map(messageOf),
      targets: laid.map(({ id, lab, weight, areaCm2, character, overId }) => ({
        over: overOf(overId),
        lab: targets.get(id) ?? lab,
        weight,
        areaCm2,
        character,
      })),
      valueWeight: mixing.valueWeight,
      hand,
      maxPaints: mixing.maxPaints,
      standing,
    };
    return { key: JSON.stringify(job), ids: laid.map(({ id }) => id), paintIds: known.map(({ id }) => id) };
  }, [wanted, palette, paints, paper, targets, approach, hand]);
  const [found, setFound] = useState<{ key: string; plans: readonly PuddlePlan[] } | null>(null);
  useEffect(() => {
    const tell = troubleWith("Fewer puddles could not be worked out");
    worker.ask("puddles", JSON.parse(asked.key) as PuddleJob).then(
      (plans) => setFound({ key: asked.key, plans }),
      (error: unknown) => !(error instanceof WorkerStopped) && tell(error),
    );
    // Another question, or none any more: nobody waits for this one.
    return () => worker.stop();
  }, [worker, asked.key]);
  return { plans: found?.key === asked.key ? found.plans : null, ids: asked.ids, paintIds: asked.paintIds };
}

/** Each number of puddles with what it comes to, and one press to mix so. */
function Choices({ mixedNow }: { mixedNow: number }) {
  const { plans, ids, paintIds } = usePlans();
  const hand = useDesk((s) => s.document.approach.hand);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  if (ids.length < 3 || paintIds.length === 0)
    return <p className="quiet text-[0.9rem]">There are too few colours to bring together.</p>;
  if (!plans)
    return (
      <p role="status" className="quiet text-[0.9rem]">
        Looking for fewer puddles …
      </p>
    );
  const apply = (plan: PuddlePlan): void =>
    chooseRecipes(
      new Map(
        plan.puddles.flatMap(({ servings }) =>
          servings.map(({ target, parts, waterParts }): readonly [string, StoredRecipe] => [
            ids[target]!,
            { parts: parts.map(([paint, amount]) => ({ paintId: paintIds[paint]!, parts: amount })), waterParts },
          ]),
        ),
      ),
    );
  return (
    <>
      <p className="quiet text-[0.9rem] leading-snug">
        Each colour from one of them, thinned, or with one paint added. What comes out is off by so much in the mean, in{" "}
        {HAND_WORDS[hand]}.
      </p>
      {plans.length > 1 && <PuddleChart plans={plans} now={mixedNow} />}
      <ul className="flex flex-wrap gap-1.5">
        {plans.map((plan) => (
          <li key={plan.puddles.length}>
            <button
              type="button"
              className="btn btn-outline btn-sm"
              title={
                plan.proven ? "No other choice of these mixes does better." : "The best that was found in a moment."
              }
              aria-label={`Mix from ${plan.puddles.length} ${plan.puddles.length === 1 ? "puddle" : "puddles"}, off by ${plan.inHand.toFixed(1)}`}
              onClick={() => apply(plan)}
            >
              <b>{plan.puddles.length}</b> <span className="font-normal">off by {plan.inHand.toFixed(1)}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** How few puddles could serve all colours: worked out once the painter asks for it. */
export function FewerPuddles({ mixedNow }: { mixedNow: number }) {
  return (
    <Disclosure
      label="Fewer puddles"
      words="How many puddles do you want to mix?"
      className="space-y-1.5"
      buttonClassName="btn-outline"
    >
      <Choices mixedNow={mixedNow} />
    </Disclosure>
  );
}
