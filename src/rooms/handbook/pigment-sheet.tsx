"use client";

import { X } from "lucide-react";
import Link from "next/link";
import { describeColour, lchOfLab, type Lab } from "@/core/colour";
import { predict } from "@/core/mixing";
import { type Paper } from "@/core/optics";
import { colourLeft, fadedOptics, pigmentById, tintingStrengthOf, type Hanging } from "@/core/pigments";
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

const FADING: readonly { years: number; hanging: Hanging; words: string }[] = [
  { years: 0, hanging: "museum", words: "fresh" },
  { years: 50, hanging: "museum", words: "50 years in a museum" },
  { years: 10, hanging: "window", words: "10 years by a window" },
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
            <dt className="label-line pt-0.5">{term}</dt>
            <dd className="leading-snug">{fact}</dd>
          </div>
        ))}
      </dl>
      <section aria-label="Fading">
        <h3 className="mb-1 font-semibold">
          In the light <span className="quiet font-normal">(an estimate by class)</span>
        </h3>
        <ul className="space-y-1">
          {FADING.map(({ years, hanging, words }) => {
            const faded = {
              ...model,
              id: `${model.id} ${years} ${hanging}`,
              optics: fadedOptics(model.optics, colourLeft(lightfastness, years, hanging)),
            };
            return (
              <li key={words} className="flex items-center gap-3">
                <Strip
                  mix={[{ paint: faded, parts: 1 }]}
                  paper={paper}
                  width={190}
                  height={22}
                  from={0.5}
                  to={0.03}
                  label={words}
                />
                <span className="quiet">{words}</span>
              </li>
            );
          })}
        </ul>
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
