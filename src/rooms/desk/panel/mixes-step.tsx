"use client";

import { useCoats } from "../uses";
import { layersWords } from "./layers";
import { Term } from "@/ui/help/term";
import { compareColours, describeColour, screenColourOfLab } from "@/core/colour";
import { predict } from "@/core/mixing";
import { loadOfWater, washStrengthOf, type Paper } from "@/core/optics";
import type { PaintingArea } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord } from "@/ui/recipe-bar";
import { PaperOptions } from "@/ui/paper-options";
import { useDesk } from "../desk-store";
import { groundOf, namedParts, usePaints, usePaper } from "../paints";
import { useTargets } from "../targets";
import { placeName } from "../wash-words";
import { MixAll } from "./mix-all";
import { PuddleList } from "./puddle-list";
import { ONE_COLUMN_PX, WindowedGrid } from "@/ui/windowed-grid";
import { ViewChoice } from "@/ui/view-choice";

/** One colour of an area: what is to be painted, the mix in use, and how near it comes. */
function ColourRow({
  area,
  index,
  number,
  paper,
}: {
  area: PaintingArea;
  index: number;
  number: number;
  paper: Paper;
}) {
  const select = useDesk((s) => s.select);
  const paints = usePaints();
  const colour = coloursOf(area)[index]!;
  const { recipe } = colour;
  const coats = useCoats().get(colour.id) ?? 1;
  const parts = recipe && namedParts(recipe, paints);
  const target = useTargets().get(colour.id) ?? colour.lab;
  const words = describeColour(target);
  const ground = groundOf(colour.over ? area.recipe : null, paper, paints);
  const dry = recipe && parts ? predict(parts, loadOfWater(recipe.waterParts), ground).dry : null;
  return (
    <div className={index === 0 ? "border-t border-(--hairline)" : ""}>
      <button
        type="button"
        className="flex w-full cursor-pointer items-center gap-3 px-6 py-1.5 text-left hover:bg-base-200"
        onClick={() => select(area.id)}
      >
        <span className="quiet w-4 shrink-0 text-right">{index === 0 && number}</span>
        {dry ? (
          <JudgingPair wanted={target} mix={dry} className="h-10 w-20" />
        ) : (
          <span aria-hidden className="h-10 w-20 shrink-0" style={{ background: screenColourOfLab(target).hex }} />
        )}
        <span className="min-w-0 flex-1">
          <span className="flex items-baseline gap-2">
            <span className="name-face min-w-0 flex-1 truncate text-[1.1rem] leading-tight">
              {index === 0 ? area.name : ""}
              <span className={index === 0 ? "quiet text-[0.95rem]" : "text-[0.95rem]"}>
                {index === 0 && placeName(area, 0)
                  ? `, ${placeName(area, 0)}`
                  : index > 0
                    ? placeName(area, index)
                    : ""}
              </span>
            </span>
            {dry && (
              <span className="text-[0.87rem]" title="dE00, mix against the colour to paint">
                {compareColours(target, dry).dE00.toFixed(1)}
              </span>
            )}
          </span>
          <span className="quiet line-clamp-2 text-[0.87rem] leading-snug">
            {recipe && parts
              ? `${parts.map((part) => `${partsWord(part.parts)} ${part.name}`).join(" + ")}, ${layersWords(recipe.waterParts, coats) ?? washStrengthOf(recipe.waterParts).word}`
              : `value ${words.value.toFixed(1)}, ${words.hueName}, not mixed yet`}
          </span>
        </span>
      </button>
    </div>
  );
}

const VIEWS = [
  { view: "puddles", name: "By puddle", title: "What to mix in which well, and what it is for" },
  { view: "areas", name: "By area", title: "Each area with its mix" },
] as const;

/** All colours with their recipes: by the puddles to mix, or area by area; the paper, and mixing them all at once. */
export function MixesStep() {
  const areas = useDesk((s) => s.document.areas);
  const setPaper = useDesk((s) => s.setPaper);
  const chosen = useDesk((s) => s.mixesView);
  const showMixes = useDesk((s) => s.showMixes);
  const paper = usePaper();
  const colours = areas.flatMap(coloursOf);
  const rows = areas.flatMap((area, i) => coloursOf(area).map((_, index) => ({ area, index, number: i + 1 })));
  const someMixed = colours.some(({ recipe }) => recipe !== null);
  const view = someMixed ? (chosen ?? (colours.every(({ recipe }) => recipe !== null) ? "puddles" : "areas")) : "areas";
  return (
    <section aria-label="Mixes step" className="py-4">
      <div className="flex items-baseline gap-3 px-6">
        <h2 className="name-face text-2xl">Mixes</h2>
        {someMixed && (
          <ViewChoice label="Mixes shown" views={VIEWS} shown={view} onShow={showMixes} className="ml-auto" />
        )}
      </div>
      {areas.length === 0 ? (
        <div className="px-6 py-3">
          <p className="name-face text-lg">Nothing is measured yet.</p>
          <p className="mt-1">
            Let the shapes be proposed in the step before, or click on the photo where you would squint first: the
            lightest light, the darkest dark, the colour it is all about. Name each colour, and its mixes appear here.
          </p>
        </div>
      ) : view === "areas" ? (
        <>
          <p className="label-line px-6 pt-2 text-right">
            to paint | mix, dry · <Term word="dE00" />
          </p>
          <WindowedGrid
            label="Areas and their mixes"
            items={rows}
            keyOf={({ area, index }) => coloursOf(area)[index]!.id}
            leastPx={ONE_COLUMN_PX}
            gapPx={[0, 0]}
            rowPx={53}
            className="mt-1 border-b border-(--hairline)"
          >
            {(row) => <ColourRow {...row} paper={paper} />}
          </WindowedGrid>
        </>
      ) : (
        <div className="px-6 pt-3">
          <PuddleList />
        </div>
      )}
      <div className="space-y-4 px-6 pt-4">
        {areas.length > 0 && <MixAll />}
        <label className="block">
          <span className="label-line block">Paper</span>
          <select className="select w-full" value={paper.id} onChange={(event) => setPaper(event.target.value)}>
            <PaperOptions />
          </select>
        </label>
      </div>
    </section>
  );
}
