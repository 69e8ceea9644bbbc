"use client";

import { useMemo } from "react";
import { deltaE00, screenColourOfLab } from "@/core/colour";
import { agreementOf, type Agreement } from "@/core/mud";
import { PAPERS } from "@/core/optics";
import { isMixable, type PaintEntry } from "@/model/paintbox";
import { VERDICT_WORDS } from "@/ui/agreement-words";
import { Disclosure } from "@/ui/disclosure";
import { useModelOf } from "./measured";
import { usePaintbox } from "./paintbox-store";

/** So many paints of the box are looked at, and so many of each kind are named. */
const MOST_ASKED = 80;
const NAMED = 4;
/** A mix this near to one of its paints is nothing new, CIEDE2000. From memory. */
const SOMETHING_NEW = 8;

function List({ label, pairs, paints, onOpen }: ListProps) {
  if (pairs.length === 0) return null;
  return (
    <div>
      <p className="label-line">{label}</p>
      <ul aria-label={label} className="mt-1 flex flex-wrap gap-1.5">
        {pairs.map(({ second, balanced, grey }) => {
          const { parts, dry } = grey ?? balanced;
          const name = paints.find(({ id }) => id === second.id)?.name ?? "paint";
          return (
            <li key={second.id}>
              <button
                type="button"
                className="btn btn-sm gap-2 font-normal"
                aria-label={`Open ${name}: ${parts[0]} of this to ${parts[1]} of it`}
                onClick={() => onOpen(second.id)}
              >
                <span aria-hidden className="h-5 w-7" style={{ background: screenColourOfLab(dry).hex }} />
                {name} <span className="quiet">{parts.join(" : ")}</span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

interface ListProps {
  readonly label: string;
  readonly pairs: readonly Agreement[];
  readonly paints: readonly PaintEntry[];
  readonly onOpen: (id: string) => void;
}

function Friends({ paint }: { paint: PaintEntry }) {
  const paints = usePaintbox((s) => s.document.paints);
  const open = usePaintbox((s) => s.open);
  const modelOf = useModelOf();
  const pairs = useMemo(() => {
    const own = modelOf(paint);
    return paints
      .filter((other) => other.id !== paint.id && isMixable({ ...other, measured: modelOf(other).measured }))
      .slice(0, MOST_ASKED)
      .map((other) => agreementOf(own, modelOf(other), PAPERS[0]));
  }, [paint, paints, modelOf]);
  // The greyer of two greys is the better one.
  const greys = pairs
    .filter(({ grey }) => grey)
    .sort((a, b) => Math.hypot(a.grey!.dry.a, a.grey!.dry.b) - Math.hypot(b.grey!.dry.a, b.grey!.dry.b));
  const clean = pairs
    .filter(
      ({ verdict, balanced, apart }) =>
        verdict === "clean" && apart.every((lab) => deltaE00(lab, balanced.dry) >= SOMETHING_NEW),
    )
    .sort((a, b) => b.kept - a.kept);
  if (greys.length + clean.length === 0)
    return <p className="quiet">No other paint at hand makes something new with it.</p>;
  return (
    <div className="space-y-2.5">
      <List label={`${VERDICT_WORDS.clean} with it`} pairs={clean.slice(0, NAMED)} paints={paints} onOpen={open} />
      <List label={`${VERDICT_WORDS.grey} with it`} pairs={greys.slice(0, NAMED)} paints={paints} onOpen={open} />
      <p className="quiet text-[0.9rem]">This paint to the other, in a full wash on {PAPERS[0].name}.</p>
    </div>
  );
}

/** A paint's best friends in the box: what stays clean with it, and what makes a grey. Asked for by a press. */
export function BestFriends({ paint }: { paint: PaintEntry }) {
  return (
    <Disclosure label="Best friends" words="Its best friends">
      <Friends paint={paint} />
    </Disclosure>
  );
}
