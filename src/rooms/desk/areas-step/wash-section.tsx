"use client";

import { Term } from "@/ui/help/term";
import { Pipette, X } from "lucide-react";
import { WASH_KINDS } from "@/core/areas";
import { describeColour } from "@/core/colour";
import type { PaintingArea } from "@/model/painting";
import { coloursOf, withDrop, withoutColour } from "@/model/washes";
import { useDesk, useDeskStore } from "../desk-store";
import { useEdits } from "../edits-context";
import { PhotoAndTarget } from "../panel/photo-and-target";
import { useTargets } from "../targets";
import { placeName, WASH_WORDS, washReason } from "../wash-words";
import { capital } from "@/model/text";

/** Differences from which a wash has several colours, dE00. */
const BOTHERS = [2.5, 4, 6, 9];

/** One colour of the wash: the photo's and the one to paint, its share, and what can be done with it. */
function ColourRow({ area, index }: { area: PaintingArea; index: number }) {
  const { changeArea, pick } = useDeskStore().getState();
  const picking = useDesk((s) => s.picking);
  const colour = coloursOf(area)[index]!;
  const target = useTargets().get(colour.id) ?? colour.lab;
  const name = placeName(area, index) || "one colour";
  const replace = (next: PaintingArea): void => changeArea(area.id, { wash: next.wash });
  return (
    <li className="flex items-center gap-3 border-t border-(--hairline) py-1.5">
      <PhotoAndTarget photo={colour.lab} target={target} width="w-16" height="h-9" />
      <span className="min-w-0 flex-1 leading-tight">
        <span className="name-face block truncate text-[1.02rem]">{capital(name)}</span>
        <span className="quiet block truncate text-[0.87rem]">
          value {describeColour(target).value.toFixed(1)}, {Math.round(100 * colour.share)} %
        </span>
        {colour.drop && (
          <button
            type="button"
            className="block min-h-8 cursor-pointer text-left text-[0.87rem] underline-offset-2 hover:underline"
            title="An accent counts little when the palette is chosen"
            onClick={() => replace(withDrop(area, colour.id, false))}
          >
            Count it like the others
          </button>
        )}
      </span>
      <button
        type="button"
        className={`btn btn-square btn-sm ${picking === colour.id ? "btn-neutral" : "btn-ghost"}`}
        aria-pressed={picking === colour.id}
        aria-label={`Take another colour from the photo for ${name}`}
        title="Take another colour from the photo"
        onClick={() => pick(picking === colour.id ? null : colour.id)}
      >
        <Pipette size={16} />
      </button>
      {index > 0 && (
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label={`Leave out ${name}`}
          title="Leave this colour out"
          onClick={() => replace(withoutColour(area, colour.id))}
        >
          <X size={16} />
        </button>
      )}
    </li>
  );
}

/** How an area is laid: flat, graded, varied or layered, with the colours that the photo gives it. */
export function WashSection({ area }: { area: PaintingArea }) {
  const edits = useEdits();
  const bother = useDesk((s) => s.document.study.bother);
  const { changeStudy } = useDeskStore().getState();
  const colours = coloursOf(area);
  const { kind } = area.wash;
  return (
    <section aria-label="How it is laid" className="space-y-2">
      <div className="flex items-baseline gap-3">
        <h3 className="font-semibold">
          How the <Term word="wash" /> is laid
        </h3>
        <span className="quiet min-w-0 flex-1 truncate text-[0.9rem]" title={washReason(area)}>
          {washReason(area)}
        </span>
      </div>
      <div className="join w-full" role="group" aria-label="Kind of wash">
        {WASH_KINDS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={kind === one}
            disabled={edits.busy || (area.region === null && kind !== one)}
            title={WASH_WORDS[one].means}
            className={`btn join-item btn-sm flex-1 ${kind === one ? "btn-neutral" : "btn-outline"}`}
            onClick={() => kind !== one && void edits.lay(area, one)}
          >
            {WASH_WORDS[one].name}
          </button>
        ))}
      </div>
      <p className="quiet text-[0.9rem] leading-snug">{WASH_WORDS[kind].means}</p>
      {colours.length > 1 && (
        <ul aria-label="Colours of the wash">
          {colours.map(({ id }, i) => (
            <ColourRow key={id} area={area} index={i} />
          ))}
        </ul>
      )}
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <button
          type="button"
          className="btn btn-outline btn-sm"
          disabled={edits.busy || area.region === null}
          onClick={() => void edits.lay(area, null)}
        >
          As the photo suggests
        </button>
        <label className="flex items-center gap-1.5 text-[0.9rem]">
          <span className="quiet">one colour within</span>
          <select
            className="select select-sm w-auto"
            aria-label="Differences under this stay one colour"
            value={bother}
            onChange={(event) => changeStudy({ bother: Number(event.target.value) })}
          >
            {[...new Set([...BOTHERS, bother])]
              .sort((a, b) => a - b)
              .map((limit) => (
                <option key={limit} value={limit}>
                  {limit} dE00
                </option>
              ))}
          </select>
        </label>
      </div>
    </section>
  );
}
