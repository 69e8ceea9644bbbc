"use client";

import { ArrowRight } from "lucide-react";
import { describeColour } from "@/core/colour";
import { JudgingPair } from "@/ui/judging-pair";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { isDark, shortOfWords } from "./words";

/** A dark of the painting: what is wanted, what its recipe brings, and what is missing. */
function DarkRow({ colour }: { colour: MixedColour }) {
  const select = useDesk((s) => s.select);
  const mix = colour.laid?.dry ?? null;
  const wanted = describeColour(colour.lab);
  return (
    <li className="border-t border-(--hairline)">
      <button
        type="button"
        className="flex w-full cursor-pointer items-center gap-3 py-2 text-left hover:bg-base-200"
        aria-label={`Ways to ${colour.name}`}
        onClick={() => select(colour.areaId, colour.id)}
      >
        <JudgingPair wanted={colour.lab} mix={mix ?? colour.lab} className="h-11 w-20" />
        <span className="min-w-0 flex-1 leading-snug">
          <span className="name-face block truncate text-[1.05rem]">
            <span className="quiet mr-1.5 text-[0.87rem]">{colour.mark}</span>
            {colour.name}
          </span>
          <span className="quiet text-[0.9rem]">
            {mix
              ? `wanted ${wanted.value.toFixed(1)}, mixed ${describeColour(mix).value.toFixed(1)}: ${shortOfWords(wanted.value, describeColour(mix).value)}`
              : `wanted ${wanted.value.toFixed(1)}, not mixed yet`}
          </span>
        </span>
        <ArrowRight size={16} aria-hidden className="shrink-0" />
      </button>
    </li>
  );
}

/** All darks of the painting, the darkest first. */
export function DarkList() {
  const wanted = useMixedColours();
  const darks = wanted.filter(({ lab }) => isDark(lab)).sort((a, b) => a.lab.L - b.lab.L);
  return (
    <section aria-label="All darks">
      <p className="quiet leading-snug">
        A photo&apos;s darks are flat. In paint they need pigment, not water, and can stay a colour. Open one for its
        ways, side by side.
      </p>
      {darks.length === 0 ? (
        <p className="mt-4 leading-snug">
          {wanted.length === 0
            ? "There is no area yet, so there is no dark."
            : "No area is darker than value 4: this painting needs no dark."}
        </p>
      ) : (
        <>
          <p className="label-line mt-3">to paint | mix, dry · values</p>
          <ul aria-label="Darks" className="mt-1 border-b border-(--hairline)">
            {darks.map((colour) => (
              <DarkRow key={colour.id} colour={colour} />
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
