import type { Lab } from "../../colour/colour";
import { deltaE00 } from "../../colour/difference";
import { xyzOfLab } from "../../colour/lab";
import { valueOfLuminance } from "../../colour/munsell-value";
import type { AreaImage } from "../../image/pixels";
import type { Point } from "../../image/frame";
import { linearSrgbOfXyz } from "../../colour/srgb";
import { pointWithin, type LabelMap } from "../label-map";
import { areaColours, type AreaColours } from "./area-colours";
import { gatheringPlace, groupColours, type ColourGroups } from "./clusters";
import { colourRun, type ColourRun } from "./run";

/** How an area is laid. */
export const WASH_KINDS = ["flat", "graded", "varied", "layered"] as const;
export type WashKind = (typeof WASH_KINDS)[number];

/** One colour of a wash, and where it lies in the photo. */
export interface WashColour {
  readonly lab: Lab;
  /** Share of the area, 0 to 1. */
  readonly share: number;
  readonly at: Point;
}

/** The colours that an area is laid with. */
export interface WashPlan {
  readonly kind: WashKind;
  /** One to three: along the run when graded, lightest first when varied or layered. */
  readonly colours: readonly WashColour[];
  /** Where a graded wash begins and ends, shares of the photo. */
  readonly run: { readonly from: Point; readonly to: Point } | null;
  /** A small part that none of the colours stands for, if it is clearly different: dropped in last. */
  readonly accent: WashColour | null;
}

/** Differences that a painter would not bother with, dE00. From memory. */
export const BOTHER = 4;
/** A run must explain at least so much of the spread. */
const RUN_EXPLAINS = 0.6;
/** Groups must explain at least so much, and a third one so much more. */
const GROUPS_EXPLAIN = 0.55;
const THIRD_EXPLAINS = 0.08;
/** A smaller group than this is an accent, not a colour of the wash. */
const LEAST_SHARE = 0.08;
/** A run's middle colour is a target of its own if the ends would meet in a colour this many times `bother` off. */
const BENT = 1.5;
/**
 * Colours within so many value steps melt into each other; farther apart the darker goes over the lighter. From
 * memory.
 */
export const ONE_VALUE = 1;

const valueOf = (lab: Lab): number => valueOfLuminance(xyzOfLab(lab).Y);

/** Whether a wash over a lighter one can bring this colour: a glaze takes light away in every part of the spectrum. */
function liesOver(dark: Lab, light: Lab): boolean {
  const [d, l] = [linearSrgbOfXyz(xyzOfLab(dark)), linearSrgbOfXyz(xyzOfLab(light))];
  return d.r <= 1.1 * l.r + 0.01 && d.g <= 1.1 * l.g + 0.01 && d.b <= 1.1 * l.b + 0.01;
}

function meanOf({ lab }: AreaColours): Lab {
  const sum = [0, 0, 0];
  for (let i = 0; i < lab.length; i++) sum[i % 3]! += lab[i]!;
  const n = lab.length / 3;
  return { L: sum[0]! / n, a: sum[1]! / n, b: sum[2]! / n };
}

/** Where a part of an area lies: deep within the pixels that `takes` names. Shares of the photo. */
function placeOf(colours: AreaColours, map: LabelMap, takes: (k: number) => boolean): Point {
  const { left, top, width, height, all, places } = colours;
  // Not every pixel is looked at: on a grid as coarse as they lie, a cell belongs to what most of its pixels are.
  const cell = Math.ceil(1.5 * Math.sqrt(all.length / places.length));
  const [columns, rows] = [Math.ceil(width / cell), Math.ceil(height / cell)];
  const balance = new Int32Array(columns * rows);
  places.forEach((i, k) => {
    balance[Math.floor(Math.floor(i / width) / cell) * columns + Math.floor((i % width) / cell)]! += takes(k) ? 1 : -1;
  });
  const labels = Uint8Array.from(balance, (n) => (n > 0 ? 1 : 0));
  const at = pointWithin({ width: columns, height: rows, labels }, 1) ?? { x: 0.5, y: 0.5 };
  return {
    x: Math.min(1, (left + at.x * columns * cell) / map.width),
    y: Math.min(1, (top + at.y * rows * cell) / map.height),
  };
}

/** What an area's wash is before its accent is looked for: the colour expected at each looked-at pixel, too. */
type Laid = Omit<WashPlan, "accent"> & { readonly expected: (k: number) => Lab };

/**
 * An accent is no larger and no smaller a share, and differs from what is expected at its place by at least this,
 * dE00. From memory.
 */
const ACCENT_SHARES = [0.003, 0.06] as const;
const ACCENT_DIFFERENCE = 12;

/** The colour that stands out most from the wash, if a small part of the area clearly does. */
function accentOf(colours: AreaColours, map: LabelMap, { colours: laid, expected }: Laid): WashColour | null {
  const { lab, places } = colours;
  const n = places.length;
  const away = Float64Array.from(places, (_, k) => {
    const { L, a, b } = expected(k);
    return Math.hypot(lab[3 * k]! - L, lab[3 * k + 1]! - a, lab[3 * k + 2]! - b);
  });
  const limit = Math.max(ACCENT_DIFFERENCE, away.slice().sort()[Math.floor((1 - ACCENT_SHARES[1]) * (n - 1))]!);
  const strange = [...places.keys()].filter((k) => away[k]! > limit);
  if (strange.length < ACCENT_SHARES[0] * n || strange.length < 8) return null;
  const own = gatheringPlace(Float32Array.from(strange.flatMap((k) => [lab[3 * k], lab[3 * k + 1], lab[3 * k + 2]])));
  const near = new Set(
    strange.filter(
      (k) => Math.hypot(lab[3 * k]! - own.L, lab[3 * k + 1]! - own.a, lab[3 * k + 2]! - own.b) < ACCENT_DIFFERENCE,
    ),
  );
  if (near.size < ACCENT_SHARES[0] * n || laid.some((one) => deltaE00(one.lab, own) < ACCENT_DIFFERENCE)) return null;
  return { lab: own, share: near.size / n, at: placeOf(colours, map, (k) => near.has(k)) };
}

function graded(colours: AreaColours, map: LabelMap, run: ColourRun, bother: number): Laid {
  const { left, top, width, places } = colours;
  const [from, middle, to] = [0, 0.5, 1].map(run.colour);
  const met = { L: (from!.L + to!.L) / 2, a: (from!.a + to!.a) / 2, b: (from!.b + to!.b) / 2 };
  const bent = deltaE00(met, middle!) >= BENT * bother;
  const stops = bent ? [0, 0.5, 1] : [0, 1];
  const nearest = (t: number): number =>
    stops.reduce((best, stop, i) => (Math.abs(stop - t) < Math.abs(stops[best]! - t) ? i : best), 0);
  const groupOf = run.along.map(nearest);
  let [cx, cy, mid] = [0, 0, 0];
  places.forEach((i, k) => {
    cx += (i % width) / places.length;
    cy += Math.floor(i / width) / places.length;
    mid += run.along[k]! / places.length;
  });
  // The arrow runs through the middle of the area.
  const point = (t: number): Point => ({
    x: Math.min(1, Math.max(0, (left + cx + run.direction[0] * run.lengthPx * (t - mid) + 0.5) / map.width)),
    y: Math.min(1, Math.max(0, (top + cy + run.direction[1] * run.lengthPx * (t - mid) + 0.5) / map.height)),
  });
  return {
    kind: "graded",
    colours: stops.map((stop, i) => ({
      lab: run.colour(stop),
      share: groupOf.reduce((sum, g) => sum + (g === i ? 1 : 0), 0) / groupOf.length,
      at: placeOf(colours, map, (k) => Math.abs(run.along[k]! - stop) < 0.12),
    })),
    run: { from: point(0), to: point(1) },
    expected: (k) => run.colour(Math.min(1, Math.max(0, run.along[k]!))),
  };
}

function grouped(colours: AreaColours, map: LabelMap, groups: ColourGroups, kind: "varied" | "layered"): Laid {
  return {
    kind,
    colours: groups.colours.map((lab, g) => ({
      lab,
      share: groups.shares[g]!,
      at: placeOf(colours, map, (k) => groups.groupOf[k]! === g),
    })),
    run: null,
    expected: (k) => groups.colours[groups.groupOf[k]!]!,
  };
}

/** Groups, if they are different enough to be mixed apart. */
function apartOrNull(groups: ColourGroups, bother: number): ColourGroups | null {
  const count = groups.colours.length;
  if (groups.shares.some((share) => share < LEAST_SHARE)) return null;
  for (let a = 0; a < count; a++)
    for (let b = 0; b < a; b++) if (deltaE00(groups.colours[a]!, groups.colours[b]!) < 1.5 * bother) return null;
  return groups;
}

/**
 * A small third colour this near to the line between the other two, dE (CIELAB), is where they meet in the photo, no
 * colour of its own.
 */
const MEETING_REACH = 6;
const MEETING_SHARE = 0.22;

/** Whether one of three groups is but the mixture of the other two. */
function isMeeting({ colours, shares }: ColourGroups): boolean {
  return colours.some(({ L, a, b }, i) => {
    if (shares[i]! > MEETING_SHARE) return false;
    const [one, two] = colours.filter((_, other) => other !== i);
    const along = [two!.L - one!.L, two!.a - one!.a, two!.b - one!.b];
    const from = [L - one!.L, a - one!.a, b - one!.b];
    const t = from.reduce((sum, d, c) => sum + d * along[c]!, 0) / along.reduce((sum, d) => sum + d * d, 0);
    if (!(t > 0 && t < 1)) return false;
    return Math.hypot(...from.map((d, c) => d - t * along[c]!)) < MEETING_REACH;
  });
}

/**
 * What the photo suggests, or the best plan of a kind that the painter asks for; null when there are too few pixels
 * for it.
 */
function laid(colours: AreaColours, map: LabelMap, bother: number, asked: WashKind | null): Laid | null {
  const mean = meanOf(colours);
  const flat: Laid = {
    kind: "flat",
    colours: [{ lab: mean, share: 1, at: placeOf(colours, map, () => true) }],
    run: null,
    expected: () => mean,
  };
  if (asked === "flat") return flat;
  const run = colourRun(colours);
  if (!run) return asked ? null : flat;
  if (asked === "graded") return graded(colours, map, run, bother);
  const two = groupColours(colours, 2);
  if (asked) return two.shares.some((share) => share === 0) ? null : grouped(colours, map, two, asked);
  const runs = deltaE00(run.colour(0), run.colour(1)) >= bother;
  if (runs && run.explains >= RUN_EXPLAINS && run.explains >= two.explains) return graded(colours, map, run, bother);
  const pair = apartOrNull(two, bother);
  const three = apartOrNull(groupColours(colours, 3), bother);
  const needsThree =
    three && !isMeeting(three) && three.explains >= GROUPS_EXPLAIN && three.explains - two.explains >= THIRD_EXPLAINS;
  const groups = needsThree ? three : pair;
  if (!groups || groups.explains < GROUPS_EXPLAIN) return flat;
  const values = groups.colours.map(valueOf);
  const oneValue = values[0]! - values[values.length - 1]! < ONE_VALUE;
  const over = groups.colours.every((lab, i) => i === 0 || liesOver(lab, groups.colours[0]!));
  return grouped(colours, map, groups, !oneValue && over ? "layered" : "varied");
}

/**
 * How an area would be laid: flat unless its colours differ by more than a painter would bother with;
 * graded if they run in one direction; varied if colours of about one value melt into each other;
 * layered if a darker colour can go over a lighter one.
 * @param bother least difference worth a colour of its own, dE00
 * @param asked a kind that the painter asks for, whatever the photo suggests
 * @returns null when the label has no pixel, or too few for the kind that is asked for
 */
export function washPlan(
  map: LabelMap,
  label: number,
  image: AreaImage,
  bother = BOTHER,
  asked: WashKind | null = null,
): WashPlan | null {
  const colours = areaColours(map, label, image);
  const found = colours && laid(colours, map, bother, asked);
  if (!found) return null;
  const { expected: _, ...plan } = found;
  return { ...plan, accent: accentOf(colours, map, found) };
}
