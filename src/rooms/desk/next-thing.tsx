"use client";

import { ArrowRight } from "lucide-react";
import Link from "next/link";
import { coloursOf } from "@/model/washes";
import { useDesk } from "./desk-store";
import { nextThing } from "./next-thing-words";
import { MIXABLE } from "@/model/paintbox";
import { namedParts, useAtHand, usePaints } from "./paints";
import { useOutsiders } from "./uses";

/** While all paints at hand are the demo's: to look around in it, or to begin with one's own, equally plain. */
function TwoWays() {
  const paints = [...usePaints().values()].filter(({ status }) => MIXABLE.has(status));
  if (paints.length > 0 && paints.some(({ demo }) => !demo)) return null;
  const way = "btn btn-outline btn-sm flex-1 px-2";
  return (
    <nav aria-label="Two ways to begin" className="flex gap-2 pt-1 pb-1.5">
      <Link
        prefetch={false}
        href="/guide"
        className={way}
        title="This is the demo: its paints and its photo are made up"
      >
        Look around in the demo
      </Link>
      <Link prefetch={false} href="/paintbox?begin" className={way} title="Ticked off the handbook in a few minutes">
        Begin with my own paints
      </Link>
    </nav>
  );
}

/** The foot of every step: what is done, what is missing, and the one way on. */
export function NextThing() {
  const step = useDesk((s) => s.step);
  const areas = useDesk((s) => s.document.areas);
  const laidOut = useDesk((s) => s.document.palette.length);
  const goTo = useDesk((s) => s.goTo);
  const select = useDesk((s) => s.select);
  const atHand = useAtHand().length;
  const paints = usePaints();
  const outsiders = useOutsiders();
  const colours = areas.flatMap((area) => coloursOf(area).map(({ id, recipe }) => ({ areaId: area.id, id, recipe })));
  const unmixed = colours.filter(({ recipe }) => recipe === null || namedParts(recipe, paints) === null);
  const outside = colours.filter(({ recipe }) =>
    recipe?.parts.some(({ paintId }) => outsiders.some(({ id }) => id === paintId)),
  );
  const { says, go } = nextThing({
    step,
    atHand,
    areas: areas.length,
    colours: colours.length,
    mixed: colours.length - unmixed.length,
    laidOut,
    outside: { paints: outsiders.map(({ name }) => name), colours: outside.length },
  });
  /** Opens a colour where it is mixed. */
  const open = (colour: { readonly areaId: string; readonly id: string } | undefined): void => {
    if (step !== "mixes") goTo("mixes");
    if (colour) select(colour.areaId, colour.id);
  };
  const way = "btn btn-outline btn-sm ml-auto shrink-0";
  return (
    <section aria-label="Next" className="border-t border-(--hairline) px-6 py-1.5">
      <TwoWays />
      <div className="flex min-h-9 items-center gap-3">
        <p className="quiet text-[0.93rem] leading-snug">{says}</p>
        {go?.to === "paintbox" ? (
          <Link prefetch={false} href="/paintbox?begin" className={way}>
            {go.words} <ArrowRight size={15} aria-hidden />
          </Link>
        ) : (
          go && (
            <button
              type="button"
              className={way}
              onClick={() => {
                if (go.to === "unmixed") open(unmixed[0]);
                else if (go.to === "outside") open(outside[0]);
                else goTo(go.to);
              }}
            >
              {go.words} <ArrowRight size={15} aria-hidden />
            </button>
          )
        )}
      </div>
    </section>
  );
}
