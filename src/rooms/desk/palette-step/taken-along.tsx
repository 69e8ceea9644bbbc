"use client";

import { boxesHere, MIXABLE } from "@/model/paintbox";
import { useDesk } from "../desk-store";
import { useBoxes, usePaints } from "../paints";
import { paintsWord } from "./words";

/** What the painter has with them: all paints at hand, or one of the boxes; kept with the painting. */
export function TakenAlong() {
  const paints = usePaints();
  const boxes = boxesHere(useBoxes(), (id) => paints.get(id)?.status);
  const boxId = useDesk((s) => s.document.rules.boxId);
  const changeRules = useDesk((s) => s.changeRules);
  const known = boxes.some(({ id }) => id === boxId);
  if (boxes.length === 0) return null;
  const mixable = (id: string | null): boolean => id !== null && MIXABLE.has(paints.get(id)?.status ?? "used up");
  const all = [...paints.keys()].filter(mixable).length;
  return (
    <div>
      <span aria-hidden className="label-line block">
        With me
      </span>
      <select
        aria-label="With me"
        className="select select-sm w-full"
        value={known ? boxId! : ""}
        onChange={(event) => changeRules({ boxId: event.target.value || null })}
      >
        <option value="">all {paintsWord(all)} at hand</option>
        {boxes.map(({ id, name, wells }) => (
          <option key={id} value={id}>
            the box “{name}”, {paintsWord(wells.filter(mixable).length)}
          </option>
        ))}
      </select>
    </div>
  );
}
