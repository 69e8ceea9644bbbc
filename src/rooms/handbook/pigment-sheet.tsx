"use client";

import { Term } from "@/ui/help/term";
import { isGlossaryWord } from "@/ui/help/words";
import { X } from "lucide-react";
import Link from "next/link";
import { describeColour, lchOfLab, type Lab } from "@/core/colour";
import { predict } from "@/core/mixing";
import { type Paper } from "@/core/optics";
import { pigmentById, tintingStrengthOf } from "@/core/pigments";
import { Caution } from "@/ui/caution";
import { propertyWords } from "@/ui/property-words";
import { Strip } from "@/ui/strip";
import { OpticsChart } from "./optics-chart";
import type { HandbookEntry } from "./pigments";

const LIGHTFAST_WORDS = ["", "excellent", "very good", "fair", "poor", "very poor"];
const weightWords = (weight: number): string =>
  weight >= 0.35
    ? "heavy: drops where it is put"
    : weight <= -0.35
      ? "light: travels with the water"
      : "neither heavy nor light";

/**
 * What the classes of ASTM D5067 mean to a painter, 1 to 5. From memory of their wording; in how many years is not
 * known.
 */
const LIGHT_WORDS = [
  "",
  "Not expected to change in any light that a painting is hung in.",
  "Keeps for a lifetime indoors; a thin wash in full sun may lose a little.",
  "Thin washes fade in years of bright light: for albums, or out of the sun.",
  "Fades plainly within a few years of daylight.",
  "Goes in daylight within months or a year or two: for sketchbooks, and to be scanned.",
];

function numbers(lab: Lab): string {
  const { L, C, h } = lchOfLab(lab);
  return `L* ${L.toFixed(0)}, C* ${C.toFixed(0)}, h ${h.toFixed(0)}°, value ${describeColour(lab).value.toFixed(1)}`;
}

/** One pigment whole: its strip, its optics, its facts with where they come from, fading and cautions. */
export function PigmentSheet({ entry, paper, onClose }: { entry: HandbookEntry; paper: Paper; onClose: () => void }) {
  const { pigment, model } = entry;
  const mix = [{ paint: model, parts: 1 }];
  const hazards = pigment.hazards ?? [];
  const { lightfastness } = pigment;
  const facts: readonly (readonly [string, string])[] = [
    ["masstone", numbers(predict(mix, 1, paper).dry)],
    ["tint", numbers(predict(mix, 0.06, paper).dry)],
    ["transparency", pigment.transparency],
    ["on the paper", `${propertyWords(pigment)}; ${weightWords(pigment.weight)}`],
    [
      "tinting strength",
      `${tintingStrengthOf(pigment.optics, pigmentById("PB29").optics).toFixed(1)} of ultramarine's, computed from these optics`,
    ],
    [
      "lightfastness",
      `class ${lightfastness.class}, ${LIGHTFAST_WORDS[lightfastness.class]} (${lightfastness.listed ? "ASTM D5067, from memory" : "our estimate, not remembered as listed"})`,
    ],
    ...(pigment.dryingShift ? [["drying", "dries noticeably paler than it looks wet (from memory)"] as const] : []),
    ...(pigment.also ? [["also called", pigment.also.join(", ")] as const] : []),
    ["optics from", pigment.source ?? "bands and edges from memory"],
  ];
  return (
    <article aria-label={`${pigment.name}, ${pigment.code}`} className="space-y-4 p-6">
      <header className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="name-face text-2xl leading-tight first-letter:uppercase">{pigment.name}</h2>
          <p className="quiet">{pigment.code} · typical values</p>
        </div>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label="Close the sheet"
          onClick={onClose}
        >
          <X size={16} />
        </button>
      </header>
      <Strip mix={mix} paper={paper} width={380} height={78} label={`${pigment.name} from masstone to tint`} />
      <p className="name-face text-[1.12rem] leading-snug">{pigment.note}</p>
      <OpticsChart pigment={pigment} />
      <dl className="grid grid-cols-[7.2rem_1fr] gap-x-3 gap-y-1.5">
        {facts.map(([term, fact]) => (
          <div key={term} className="contents">
            <dt className="label-line pt-0.5">{isGlossaryWord(term) ? <Term word={term} /> : term}</dt>
            <dd className="leading-snug">{fact}</dd>
          </div>
        ))}
      </dl>
      <section aria-label="In the light">
        <h3 className="mb-1 font-semibold">In the light</h3>
        <p className="leading-snug">
          {LIGHT_WORDS[lightfastness.class]} {pigment.inLight}
        </p>
        <p className="quiet mt-1">
          What the class means, from memory. In how many years nobody can tell from it: a strip of your own, half of it
          covered, in a window says more.
        </p>
      </section>
      {hazards.length > 0 && (
        <section aria-label="Cautions" className="border-t border-(--hairline) pt-3">
          <h3 className="font-semibold">Contains {hazards.join(", ")}</h3>
          <Caution />
        </section>
      )}
      <Link className="btn btn-outline btn-sm" href={`/try-a-mix?paint=${pigment.id}`}>
        Try it in a mix
      </Link>
    </article>
  );
}
