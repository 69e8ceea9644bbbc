import type { PaintingPlan, TimedWash } from "@/core/planning";
import { listed } from "@/model/text";
import type { WashNames } from "./wash-names";
import { minutesWords } from "./words";

/** From this on a paint holds to the paper where a light is to be lifted. From memory. */
const STAINS_FROM = 0.6;

/** What to mind with a wash, in the order of how soon it matters. */
export function mindWords(wash: TimedWash, plan: PaintingPlan, { nameOf, areaNames }: WashNames): string[] {
  const names = (keys: readonly string[]): string => listed(areaNames(keys));
  const wet = plan.rules.filter(
    ({ why, first, then }) => why === "lost edge" && (first === wash.key || then === wash.key),
  );
  const others = wet.map(({ first, then }) => (first === wash.key ? then : first));
  const softened = plan.rules.filter(({ soften, then }) => soften && then === wash.key).map(({ first }) => first);
  const lifted = plan.rules.some(({ why, first }) => why === "lift" && first === wash.key);
  return [
    ...(others.length > 0 ? [`Its edge to ${names(others)} is lost: both are wet together.`] : []),
    ...(wash.task === "drop" ? ["Now, while the wash still shines."] : []),
    ...(wash.onWet ? [`On wetted paper; it can be worked for about ${minutesWords(wash.workableMinutes)}.`] : []),
    ...(wash.hairlines.length > 0 ? [`Leave a hairline of dry paper to ${names(wash.hairlines)}.`] : []),
    ...(softened.length > 0 ? [`Soften its edge to ${names(softened)} with a clean damp brush.`] : []),
    ...(wash.handOver !== null ? [`Mind the hand: ${nameOf(wash.handOver)} may still be wet beside it.`] : []),
    ...(lifted && wash.staining >= STAINS_FROM
      ? ["It stains, and a light is to be lifted out of it: lift early."]
      : []),
  ];
}
