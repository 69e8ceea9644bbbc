"use client";

import { ArrowRight } from "lucide-react";
import Link from "next/link";
import { coloursOf } from "@/model/washes";
import { useDesk } from "./desk-store";
import { nextThing } from "./next-thing-words";
import { useAtHand } from "./paints";

/** The foot of every step: what is done, what is missing, and the one way on. */
export function NextThing() {
  const step = useDesk((s) => s.step);
  const areas = useDesk((s) => s.document.areas);
  const laidOut = useDesk((s) => s.document.palette.length);
  const goTo = useDesk((s) => s.goTo);
  const select = useDesk((s) => s.select);
  const atHand = useAtHand().length;
  const colours = areas.flatMap((area) => coloursOf(area).map(({ recipe }) => ({ areaId: area.id, recipe })));
  const unmixed = colours.filter(({ recipe }) => recipe === null);
  const { says, go } = nextThing({
    step,
    atHand,
    areas: areas.length,
    colours: colours.length,
    mixed: colours.length - unmixed.length,
    laidOut,
  });
  const way = "btn btn-outline btn-sm ml-auto shrink-0";
  return (
    <section aria-label="Next" className="flex min-h-12 items-center gap-3 border-t border-(--hairline) px-6 py-1.5">
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
            onClick={() => (go.to === "unmixed" ? select(unmixed[0]?.areaId ?? null) : goTo(go.to))}
          >
            {go.words} <ArrowRight size={15} aria-hidden />
          </button>
        )
      )}
    </section>
  );
}
