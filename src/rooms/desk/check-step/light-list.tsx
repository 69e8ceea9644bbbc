"use client";

import { ArrowRight } from "lucide-react";
import { useMemo } from "react";
import { compareColours, deltaE00 } from "@/core/colour";
import { HANGS, lastingSubstitute, TEST_MLXH, type Hangs } from "@/core/mixing";
import { loadOfWater, waterOfLoad, waterWords } from "@/core/optics";
import type { PaintingArea } from "@/model/painting";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord } from "@/ui/recipe-bar";
import { ViewChoice } from "@/ui/view-choice";
import type { InLight } from "../desk-state";
import { useDesk } from "../desk-store";
import { afterLight, useMixedColours, type MixedColour } from "../mixed";
import { usePaints, useProposed } from "../paints";

const HANGS_WORDS: Readonly<Record<Hangs, string>> = {
  window: "near a window",
  room: "on a wall in a room",
  book: "in a closed book",
};
const YEARS = [5, 10, 20, 30, 50, 100] as const;
/** Light that nothing is asked about yet: a wall, a painter's own lifetime of it. */
const USUAL: InLight = { hangs: "room", years: 30 };
/** A change under this is none that anyone would see. */
const SEEN_FROM = 1;

interface Faded {
  readonly colour: MixedColour;
  readonly likely: number;
  readonly least: number;
  readonly most: number;
}

/** How far a colour is from itself after some light, dE00: as likely, and at the ends of its paints' classes. */
function fadedBy(colour: MixedColour, light: InLight): Faded | null {
  if (!colour.laid) return null;
  const { dry } = colour.laid;
  const [likely, least, most] = (["likely", "least", "most"] as const).map((fading) =>
    deltaE00(dry, afterLight(colour, light, fading)),
  );
  return { colour, likely: likely!, least: least!, most: most! };
}

/** The light that is asked about: where it hangs, for how long, and whether the photo shows it. */
function Light() {
  const shown = useDesk((s) => s.inLight);
  const showInLight = useDesk((s) => s.showInLight);
  const light = shown ?? USUAL;
  return (
    <div className="space-y-2">
      <ViewChoice
        label="Where it hangs"
        views={(Object.keys(HANGS) as Hangs[]).map((view) => ({ view, name: HANGS_WORDS[view] }))}
        shown={light.hangs}
        onShow={(hangs) => showInLight({ ...light, hangs })}
      />
      <ViewChoice
        label="Years"
        views={YEARS.map((years) => ({ view: String(years), name: years === 5 ? "5 years" : String(years) }))}
        shown={String(light.years)}
        onShow={(years) => showInLight({ ...light, years: Number(years) })}
      />
      <button
        type="button"
        className="btn btn-outline btn-sm"
        aria-pressed={shown !== null}
        onClick={() => showInLight(shown ? null : light)}
      >
        {shown ? "Show the photo" : "Show it in the picture"}
      </button>
      {HANGS[light.hangs] * light.years > TEST_MLXH && (
        <p role="note" className="leading-snug text-warning">
          That is more light than the classes were tested with: what is told goes on from there, and is a guess.
        </p>
      )}
    </div>
  );
}

const aboutWords = (faded: Faded): string =>
  faded.most < SEEN_FROM
    ? "stays as it is"
    : `changes by about dE00 ${faded.likely.toFixed(1)} (${faded.least.toFixed(1)} to ${faded.most.toFixed(1)})`;

/** All colours of the painting after some light, the one that goes first on top. */
export function LightList() {
  const colours = useMixedColours();
  const light = useDesk((s) => s.inLight) ?? USUAL;
  const select = useDesk((s) => s.select);
  const faded = useMemo(
    () => colours.flatMap((colour) => fadedBy(colour, light) ?? []).sort((a, b) => b.likely - a.likely),
    [colours, light],
  );
  return (
    <section aria-label="In the light" className="space-y-3">
      <p className="quiet leading-snug">
        What light makes of the mixes behind glass, from their paints&apos; classes. An estimate: a class is a span, and
        damp, air and paper have their say. The paint&apos;s own label goes before it.
      </p>
      <Light />
      {faded.length === 0 ? (
        <p>No colour has a mix yet.</p>
      ) : (
        <ul aria-label="Colours in the light" className="border-b border-(--hairline)">
          {faded.map((one) => (
            <li key={one.colour.id} className="border-t border-(--hairline)">
              <button
                type="button"
                className="flex w-full cursor-pointer items-center gap-3 py-2 text-left hover:bg-base-200"
                aria-label={`What would last in ${one.colour.name}`}
                onClick={() => select(one.colour.areaId, one.colour.id)}
              >
                <JudgingPair
                  wanted={one.colour.laid!.dry}
                  mix={afterLight(one.colour, light, "likely")}
                  className="h-11 w-20"
                  names={["as it dries", "after that light"]}
                />
                <span className="min-w-0 flex-1 leading-snug">
                  <span className="name-face block truncate text-[1.05rem]">
                    <span className="quiet mr-1.5 text-[0.87rem]">{one.colour.mark}</span>
                    {one.colour.name}
                  </span>
                  <span className="quiet text-[0.9rem]">{aboutWords(one)}</span>
                </span>
                <ArrowRight size={16} aria-hidden className="shrink-0" />
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

const CLASS_WORDS = ["", "I, excellent", "II, very good", "III, fair", "IV, poor", "V, very poor"] as const;

/** One colour in the light: its paints by their classes, and the lasting paint that changes it least. */
function OneColour({ colour }: { colour: MixedColour }) {
  const light = useDesk((s) => s.inLight) ?? USUAL;
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const paints = usePaints();
  const atHand = useProposed();
  const faded = useMemo(() => fadedBy(colour, light), [colour, light]);
  const instead = useMemo(() => {
    const { laid, ground } = colour;
    if (!laid) return null;
    const worst = [...laid.mix].sort((a, b) => b.paint.lightClass - a.paint.lightClass)[0]!.paint;
    if (worst.lightClass <= 2) return null;
    const found = lastingSubstitute(
      laid.mix,
      loadOfWater(laid.waterParts),
      ground,
      worst.id,
      atHand.map(({ model }) => model),
      deltaE00,
    );
    return { worst, found };
  }, [colour, atHand]);
  const { laid, recipe } = colour;
  if (!laid || !faded || !recipe) return <p>{colour.name} has no mix yet.</p>;
  const nameOf = (id: string): string => paints.get(id)?.name ?? "a paint that is gone";
  const found = instead?.found ?? null;
  const after = compareColours(laid.dry, afterLight(colour, light, "likely"));
  const water = found ? waterOfLoad(found.load) : 0;
  return (
    <section aria-label={colour.name} className="space-y-2 border-t border-(--hairline) pt-3">
      <div className="flex items-center gap-3">
        <JudgingPair
          wanted={laid.dry}
          mix={afterLight(colour, light, "likely")}
          className="h-14 w-28"
          names={["as it dries", "after that light"]}
        />
        <p className="min-w-0 flex-1 leading-snug">
          <span className="name-face block text-[1.05rem]">{colour.name}</span>
          {aboutWords(faded)}
          {after.dE00 >= SEEN_FROM && after.words.length > 0 && `: ${after.words.join(", ")}`}
        </p>
      </div>
      <ul className="text-[0.95rem]">
        {laid.mix.map(({ paint }) => (
          <li key={paint.id}>
            {nameOf(paint.id)} <span className="quiet">class {CLASS_WORDS[paint.lightClass]}</span>
          </li>
        ))}
      </ul>
      {!instead && <p>All its paints last: there is nothing to change.</p>}
      {instead && !found && (
        <p className="leading-snug">
          No lasting paint at hand can stand for {nameOf(instead.worst.id)}: keep the painting in the dark, or under
          glass that holds ultraviolet back.
        </p>
      )}
      {instead && found && (
        <div className="flex items-center gap-3">
          <JudgingPair
            wanted={laid.dry}
            mix={found.dry}
            className="h-11 w-20"
            names={["as it dries", "with the lasting paint"]}
          />
          <p className="min-w-0 flex-1 leading-snug">
            {nameOf(found.paint.id)} for {nameOf(instead.worst.id)}:{" "}
            {found.mix.map(({ paint, parts }) => `${partsWord(parts)} ${nameOf(paint.id)}`).join(" + ")},{" "}
            {waterWords(Math.round(water))}. Off by dE00 {deltaE00(laid.dry, found.dry).toFixed(1)} now, and it lasts.
          </p>
          <button
            type="button"
            className="btn btn-outline btn-sm"
            aria-label={`Take ${nameOf(found.paint.id)} for ${colour.name}`}
            onClick={() =>
              chooseRecipes(
                new Map([
                  [
                    colour.id,
                    {
                      ...recipe,
                      parts: found.mix.map(({ paint, parts }) => ({ paintId: paint.id, parts: Math.min(12, parts) })),
                      waterParts: Math.min(80, water),
                    },
                  ],
                ]),
              )
            }
          >
            Take it
          </button>
        </div>
      )}
    </section>
  );
}

/** One area in the light. */
export function LightDetail({ area }: { area: PaintingArea }) {
  const colours = useMixedColours().filter(({ areaId }) => areaId === area.id);
  return (
    <div className="space-y-3">
      <Light />
      {colours.map((colour) => (
        <OneColour key={colour.id} colour={colour} />
      ))}
    </div>
  );
}
