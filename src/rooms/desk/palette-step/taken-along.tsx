"use client";

import { useMemo } from "react";
import { boxesHere, isMixable, MIXABLE, unknownCodes } from "@/model/paintbox";
import { listed } from "@/model/text";
import { Strip } from "@/ui/strip";
import { useDesk } from "../desk-store";
import { useAtHand, useBoxes, usePaints, usePaper } from "../paints";
import { useServed, useWeighing } from "./weighing";
import { FAIR, firstOf, paintsWord } from "./words";

const ALL = "";
const FEW = "few";

/** What the painter has with them: all paints at hand, one of the boxes, or a chosen few; kept with the painting. */
export function TakenAlong() {
  const paints = usePaints();
  const boxes = boxesHere(useBoxes(), (id) => paints.get(id)?.status);
  const { boxId, few } = useDesk((s) => s.document.rules);
  const palette = useDesk((s) => s.document.palette);
  const changeRules = useDesk((s) => s.changeRules);
  const known = boxes.some(({ id }) => id === boxId);
  const mixable = (id: string | null): boolean => {
    const paint = id !== null && paints.get(id);
    return paint ? isMixable(paint) : false;
  };
  const unknown = [...paints.values()].filter((paint) => MIXABLE.has(paint.status) && !isMixable(paint));
  const all = [...paints.keys()].filter(mixable);
  const choose = (value: string): void => {
    if (value !== FEW) return changeRules({ boxId: value || null, few: [] });
    // One begins with what lies in the tray, or with everything, and unticks.
    const tray = palette.filter(mixable);
    changeRules({ boxId: null, few: tray.length > 0 ? tray : all });
  };
  const chosen = few.length > 0 ? FEW : known ? boxId! : ALL;
  if (all.length === 0) return null;
  return (
    <div className="space-y-1">
      <span aria-hidden className="label-line block">
        With me
      </span>
      <select
        aria-label="With me"
        className="select select-sm w-full"
        value={chosen}
        onChange={(event) => choose(event.target.value)}
      >
        <option value={ALL}>all {paintsWord(all.length)} at hand</option>
        {boxes.map(({ id, name, wells }) => (
          <option key={id} value={id}>
            the box “{name}”, {paintsWord(wells.filter(mixable).length)}
          </option>
        ))}
        <option value={FEW}>
          {few.length > 0 ? `a chosen few: ${paintsWord(few.filter(mixable).length)}` : "a chosen few …"}
        </option>
      </select>
      {chosen === FEW && <Few all={all} few={few} onChange={(next) => changeRules({ few: next })} />}
      {chosen !== ALL && <Impossible />}
      {unknown.length > 0 && (
        <p role="status" className="text-[0.9rem] leading-snug">
          Left out: {listed(unknown.map((paint) => `${paint.name} (${unknownCodes(paint).join(", ")})`))}. The handbook
          does not know what is in {unknown.length === 1 ? "it; once measured, it is" : "them; once measured, they are"}{" "}
          mixed from.
        </p>
      )}
    </div>
  );
}

interface FewProps {
  readonly all: readonly string[];
  readonly few: readonly string[];
  readonly onChange: (few: string[]) => void;
}

/** Every paint at hand, to be ticked; one stays, since of none nothing can be mixed. */
function Few({ all, few, onChange }: FewProps) {
  const paints = usePaints();
  const paper = usePaper();
  const taken = few.filter((id) => all.includes(id));
  return (
    <ul
      aria-label="Paints that are with me"
      className="max-h-56 overflow-y-auto rounded-field border border-(--hairline) p-1"
    >
      {all.map((id) => {
        const paint = paints.get(id)!;
        const on = taken.includes(id);
        return (
          <li key={id}>
            <label className="flex min-h-8 cursor-pointer items-center gap-2.5 px-1 hover:bg-base-200">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={on}
                disabled={on && taken.length === 1}
                onChange={() => onChange(on ? taken.filter((other) => other !== id) : [...taken, id])}
              />
              <Strip
                mix={[{ paint: paint.model, parts: 1 }]}
                paper={paper}
                width={64}
                height={14}
                label={`${paint.name} from masstone to tint`}
              />
              <span className="name-face min-w-0 flex-1 truncate">{paint.name}</span>
              <span className="label-line shrink-0">{paint.codes}</span>
            </label>
          </li>
        );
      })}
    </ul>
  );
}

/** What becomes impossible with what is taken along: areas that not even all of these paints together reach. */
function Impossible() {
  const { areaNames } = useWeighing();
  const atHand = useAtHand();
  const everything = useMemo(() => [atHand.map(({ id }) => id)], [atHand]);
  const [served] = useServed(everything);
  if (!served) return null;
  const short = served.served.flatMap(({ ideal }, t) => (ideal >= FAIR ? (areaNames[t] ?? []) : []));
  return (
    <p role="status" className="text-[0.9rem] leading-snug">
      {short.length === 0
        ? "With these every area can be reached."
        : `With these nothing reaches ${firstOf([...new Set(short)], 4)}.`}
    </p>
  );
}
