"use client";

import { CircleCheck, CircleDashed, Info } from "lucide-react";
import { useMemo, type ReactNode } from "react";
import type { Lab } from "@/core/colour";
import { relationsOf, type Relation } from "@/core/areas";
import { FOCAL_WEIGHT } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { useDesk } from "../desk-store";
import { useMeasured } from "../photo-study";
import { useTargets } from "../targets";
import { colourName } from "../wash-words";
import { relationWords } from "./relation-words";

interface RelationsProps {
  readonly heading?: string;
  /** The colours that are judged, by the ids of the washes' colours; those to be painted, if no others are given. */
  readonly colours?: ReadonlyMap<string, Lab>;
  readonly judgedOn?: string;
  /** What stands beside a relation that does not hold. */
  readonly mend?: (relation: Relation) => ReactNode;
}

/** What painters check between areas. */
export function Relations({
  heading = "Does it hold together?",
  colours,
  judgedOn = "the colours to be painted",
  mend,
}: RelationsProps) {
  const areas = useDesk((s) => s.document.areas);
  const measured = useMeasured();
  const wanted = useTargets();
  const targets = colours ?? wanted;
  const relations = useMemo(
    () =>
      relationsOf(
        areas.flatMap((area) => {
          const whole = measured?.areas.find(({ label }) => label === area.region)?.share ?? 0.01;
          return coloursOf(area).map(({ id, lab, share }, i) => ({
            label: area.region ?? 0,
            name: colourName(area, i),
            colour: targets.get(id) ?? lab,
            plane: area.plane,
            light: area.light,
            focal: area.weight === FOCAL_WEIGHT,
            share: whole * share,
          }));
        }),
        measured?.borders ?? [],
      ),
    [areas, measured, targets],
  );
  if (relations.length === 0) return null;
  return (
    <section aria-label="Relations" className="space-y-2">
      <h3 className="font-semibold">{heading}</h3>
      <ul className="space-y-1.5">
        {relations.map((relation) => {
          const { id, holds } = relation;
          const [Icon, say] =
            holds === null
              ? ([Info, "For your eye"] as const)
              : holds
                ? ([CircleCheck, "Works"] as const)
                : ([CircleDashed, "Look again"] as const);
          return (
            <li key={id} className="flex gap-2 leading-snug">
              <Icon size={16} className="mt-0.5 shrink-0" aria-label={say} />
              <span>
                <strong className="font-semibold">{say}.</strong> {relationWords(relation)}
                {mend?.(relation)}
              </span>
            </li>
          );
        })}
      </ul>
      <p className="quiet text-[0.87rem] leading-snug">
        Judged on {judgedOn}. Planes, light and weight are set in each area.
      </p>
    </section>
  );
}
