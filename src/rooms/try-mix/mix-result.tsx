"use client";

import { Term } from "@/ui/help/term";
import { describeColour, lchOfLab, screenColourOfLab, type Lab } from "@/core/colour";
import { likelyErrorOf, predict, predictGlaze, separationOf } from "@/core/mixing";
import { loadOfWater, washStrengthOf, waterWords, type Paper } from "@/core/optics";
import { LikelyErrorWords } from "@/ui/prediction-words";
import type { NamedPart } from "@/ui/recipe-bar";
import { Strip } from "@/ui/strip";
import { PathChart } from "./path-chart";

interface MixResultProps {
  readonly parts: readonly NamedPart[];
  readonly waterParts: number;
  readonly paper: Paper;
  readonly under: { readonly part: NamedPart; readonly waterParts: number } | null;
}

function Patch({ lab, title, words }: { lab: Lab; title: string; words?: string }) {
  const { C, h } = lchOfLab(lab);
  const screen = screenColourOfLab(lab);
  return (
    <div>
      <div className="h-24 w-full" style={{ background: screen.hex }} />
      <p className="mt-1 leading-snug font-semibold">{title}</p>
      <p className="text-[0.87rem] leading-snug">
        value {describeColour(lab).value.toFixed(1)}, {words ?? describeColour(lab).hueName}
        <br />
        L* {lab.L.toFixed(0)}, C* {C.toFixed(0)}, h {h.toFixed(0)}°{screen.mapped && ", beyond this screen"}
      </p>
    </div>
  );
}

/**
 * What the trial looks like: dry with its texture, wet, coming apart, over another wash, and the paths between its
 * paints.
 */
export function MixResult({ parts, waterParts, paper, under }: MixResultProps) {
  const load = loadOfWater(waterParts);
  const { dry, wet } = predict(parts, load, paper);
  const apart = separationOf(parts, load, paper);
  const nameOf = (id: string | null): string => parts.find(({ paint }) => paint.id === id)?.name ?? "";
  const below = under && { mix: [under.part], load: loadOfWater(under.waterParts) };
  const glaze = below && predictGlaze([below, { mix: parts, load }], paper);
  return (
    <section aria-label="What it looks like" className="space-y-5 bg-(--photo-ground) p-6 text-(--photo-ink)">
      <div>
        <Strip
          mix={parts}
          paper={paper}
          width={780}
          height={150}
          from={load}
          to={load}
          label="The wash as it dries, with its texture"
        />
        <p className="name-face mt-1 text-xl">
          <Term word="strength">{washStrengthOf(waterParts).word}</Term>{" "}
          <span className="text-base">
            · {waterWords(waterParts)} · {paper.name}
          </span>
        </p>
      </div>
      <div className="grid grid-cols-4 gap-4">
        <Patch lab={dry} title="Dry" />
        <Patch lab={wet} title="While wet" />
        {glaze && below ? (
          <Patch lab={predictGlaze([below], paper)} title={`Below: ${under.part.name}`} />
        ) : (
          <p className="text-[0.87rem]">
            Choose a dried wash on the left to see this mix laid over it as a <Term word="glaze" />.
          </p>
        )}
        {glaze && <Patch lab={glaze} title="Glazed over it" />}
      </div>
      <div className="grid gap-6 xl:grid-cols-[1fr_380px]">
        <div className="space-y-4">
          <div>
            <h2 className="font-semibold">Settling: it {apart.word}</h2>
            <div
              className="my-1.5 flex h-16"
              role="img"
              aria-label="Left the colour in the paper's hollows, right at the wash's edge"
            >
              <span className="w-1/2" style={{ background: screenColourOfLab(apart.hollows).hex }} />
              <span className="w-1/2" style={{ background: screenColourOfLab(apart.edge).hex }} />
            </div>
            <p className="leading-snug">
              {apart.stays && apart.travels
                ? `Left, in the hollows: ${nameOf(apart.stays)} stays. Right, at the edge: ${nameOf(apart.travels)} travels. Visible by about ${apart.visible.toFixed(0)} dE00.`
                : "Left the hollows, right the edge: more and less of the same colour."}
            </p>
          </div>
          <div>
            <Strip mix={parts} paper={paper} width={380} height={40} label="The mix from masstone to tint" />
            <p className="text-[0.87rem]">from neat to a breath</p>
          </div>
          <div className="[&_.label-line]:text-(--photo-ink)">
            <LikelyErrorWords error={likelyErrorOf(parts, load, paper)} />
          </div>
        </div>
        {parts.length > 1 ? (
          <PathChart parts={parts} load={load} paper={paper} now={dry} />
        ) : (
          <p className="text-[0.87rem]">With a second paint, the path between the two appears here.</p>
        )}
      </div>
    </section>
  );
}
