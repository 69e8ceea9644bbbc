import { describe, expect, test } from "vitest";
import { deltaE00 } from "@/core/colour";
import { darkWays } from "@/core/darks";
import { groundsFor } from "@/core/grounds";
import {
  DEFAULT_MATCH,
  HANDS,
  lastingSubstitute,
  matchOver,
  nearestStrength,
  otherStrengths,
  paintModel,
  prepareMatch,
  type MixPart,
  type PaintModel,
} from "@/core/mixing";
import { ANYHOW } from "@/core/mixing/character";
import { mixMud } from "@/core/mud";
import { loadOfWater, PAPERS, type Load } from "@/core/optics";
import { approachPolicy, DEFAULT_APPROACH, mixingUnder, modelUnder } from "@/core/palette";
import { correctedBy, planPuddles } from "@/core/planning";
import { variationsOf } from "@/core/variations";

// Every door through which a mix is proposed, under an approach that lets opaque paints be laid in tints alone: none
// proposes an opaque paint stronger than that, and without the approach each of them would.

const paper = PAPERS[0];
/** Opaque and semi-opaque ones among them: cadmiums, earths, a black. */
const ids = ["PY35", "PR101-light-red", "PB29", "PBr7-burnt-umber", "PV19-rose", "PG7", "PBk9"];
const free = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const tints = { ...DEFAULT_APPROACH, opacity: "tints" as const };
const thin = free.map((paint) => modelUnder(tints, paint));
const opaque = new Set(thin.filter(({ strongest }) => strongest < 1).map(({ id }) => id));
const most = thin.find(({ id }) => opaque.has(id))!.strongest;

const strong = { L: 42, a: 38, b: 30 };
const dark = { L: 22, a: 2, b: 2 };

/** The loads that a door proposes mixes with an opaque paint at. */
type Door = (paints: readonly PaintModel[]) => readonly Load[];
const ofMixes = (laid: readonly { readonly mix: readonly MixPart[]; readonly load: Load }[]): readonly Load[] =>
  laid.filter(({ mix }) => mix.some(({ paint }) => opaque.has(paint.id))).map(({ load }) => load);
const named = (paints: readonly PaintModel[], parts: readonly { paintId: string; parts: number }[]): MixPart[] =>
  parts.map(({ paintId, parts: amount }) => ({ paint: paints.find(({ id }) => id === paintId)!, parts: amount }));
const of = (paints: readonly PaintModel[], id: string): PaintModel => paints.find((paint) => paint.id === id)!;
const washOf = ({ mix, waterParts }: { readonly mix: readonly MixPart[]; readonly waterParts: number }) => ({
  mix,
  load: loadOfWater(waterParts),
});

const DOORS: Readonly<Record<string, Door>> = {
  "ways to mix a colour": (paints) =>
    ofMixes(
      matchOver(strong, prepareMatch(paints, paper)).map(({ parts, load }) => ({ mix: named(paints, parts), load })),
    ),
  puddles: (paints) =>
    ofMixes(
      planPuddles(
        [
          { ...ANYHOW, lab: strong, weight: 1 },
          { ...ANYHOW, lab: dark, weight: 1 },
        ],
        paints,
        paper,
        {
          valueWeight: 1.5,
          hand: HANDS.usual,
          maxPaints: 3,
          standing: [],
        },
      ).flatMap(({ puddles }) =>
        puddles.flatMap(({ servings }) =>
          servings.map(({ parts, waterParts }) => ({
            mix: parts.map(([p, amount]) => ({ paint: paints[p]!, parts: amount })),
            load: loadOfWater(waterParts),
          })),
        ),
      ),
    ),
  darks: (paints) =>
    ofMixes(
      darkWays(
        paints.filter(({ id }) => opaque.has(id)),
        { L: 34, a: 20, b: 15 },
        20,
        paper,
      ).map(({ parts, waterParts, layers }) => ({
        mix: named(paints, parts),
        load: layers * loadOfWater(waterParts),
      })),
    ),
  "variations of a value": (paints) =>
    ofMixes(variationsOf([{ paint: of(paints, "PB29"), parts: 2 }], 1.5, paints, 1, paper).map(washOf)),
  "ways out of mud": (paints) => {
    const mix = ["PV19-rose", "PG7"].map((id) => ({ paint: of(paints, id), parts: 1 }));
    const mud = mixMud(mix, 1.5, strong, paints, 1, paper);
    return mud?.wayOut ? ofMixes([washOf(mud.wayOut)]) : [];
  },
  "grounds behind a subject": (paints) => ofMixes(groundsFor({ L: 70, a: 20, b: 40 }, paints, 1, paper).map(washOf)),
  "another area's puddle": (paints) => {
    const mix = [{ paint: of(paints, "PR101-light-red"), parts: 1 }];
    return [loadOfWater(nearestStrength(strong, mix, paper).waterParts)];
  },
  "richer and thinner": (paints) => {
    const { richer } = otherStrengths([{ paint: of(paints, "PR101-light-red"), parts: 1 }], 4, paper);
    return richer ? [loadOfWater(richer.waterParts)] : [];
  },
  "a lasting paint instead": (paints) => {
    const fading = paintModel("fading", [{ pigmentId: "PR83", share: 1 }]);
    const found = lastingSubstitute(
      [{ paint: fading, parts: 1 }],
      0.8,
      paper,
      "fading",
      paints.filter(({ id }) => opaque.has(id)),
      deltaE00,
    );
    return found ? [found.load] : [];
  },
  "a mix corrected by its test": (paints) => {
    const corrected = correctedBy([{ paint: of(paints, "PR101-light-red"), parts: 1 }], 4, 7.6, paper);
    return corrected && corrected !== "beyond" && corrected.waterParts !== null
      ? [loadOfWater(corrected.waterParts)]
      : [];
  },
};

describe("whatever proposes a mix obeys how strong opaque paints may be laid", () => {
  test.each(Object.entries(DOORS))("%s", (_, door) => {
    expect(Math.max(...door(free))).toBeGreaterThan(most + 1e-6);
    expect(Math.max(0, ...door(thin))).toBeLessThanOrEqual(most + 1e-6);
  });
});

test("a black tube is not the calmest way to a grey unless tubes are asked for", () => {
  const from = ["PB29", "PBr7-burnt-umber", "PBk9"].map((id) => of(free, id));
  const grey = { L: 55, a: -0.5, b: -6 };
  const first = (approach: typeof DEFAULT_APPROACH): readonly string[] => {
    const policy = approachPolicy(approach, from, paper).paints;
    const reluctance = Object.fromEntries(from.map(({ id }, i) => [id, policy[i]!.reluctance]));
    return matchOver(grey, prepareMatch(from, paper), {
      ...DEFAULT_MATCH,
      ...mixingUnder(approach),
      reluctance,
    })[0]!.parts.map(({ paintId }) => paintId);
  };
  expect(first(DEFAULT_APPROACH)).not.toContain("PBk9");
  expect(first({ ...DEFAULT_APPROACH, greys: "tube" })).toContain("PBk9");
});
