"use client";

import { Term } from "@/ui/help/term";
import { useState, useMemo } from "react";
import {
  describeColour,
  lightnessOfValue,
  screenColourOfLab,
  valueOfLuminance,
  xyzOfLab,
  type Lab,
} from "@/core/colour";
import { PLANE_HALF, withinSlice, type ReachSlice, type SlicePoint } from "@/core/palette";
import { listed } from "@/model/text";
import { usePaints, type KnownPaint } from "../paints";
import { spreadTicks } from "../photo/value-rail";
import { useLaid, useLookedAt, useReach } from "../reach";
import { useWantedColours } from "../targets";
import { useServed } from "./weighing";
import { FAIR } from "./words";

/** The plane is looked at from close by unless something lies farther out than this, CIELAB chroma. */
const CLOSE_CHROMA = 70;
/** Side of the plane on the screen, px. */
const PLANE_PX = 312;
/** Targets within this much of the value looked at lie on the plane; others are drawn faint. Munsell value. */
const NEAR_VALUE = 0.6;

const valueOf = (lab: Lab): number => valueOfLuminance(xyzOfLab(lab).Y);
const x = (a: number): number => a + PLANE_HALF;
const y = (b: number): number => PLANE_HALF - b;
const polyline = (points: Float32Array): string =>
  Array.from(
    { length: points.length / 2 },
    (_, i) => `${x(points[2 * i]!).toFixed(1)},${y(points[2 * i + 1]!).toFixed(1)}`,
  ).join(" ");

/** The plane of hue and chroma at one value: what is reached, how paints mix, and where the areas lie. */
function Plane({
  slice,
  paints,
  targets,
  names,
  value,
}: {
  slice: ReachSlice;
  paints: readonly KnownPaint[];
  targets: readonly Lab[];
  names: readonly string[];
  value: number;
}) {
  const far =
    Math.max(
      ...slice.outlines.flatMap((points) =>
        Array.from({ length: points.length / 2 }, (_, i) => Math.hypot(points[2 * i]!, points[2 * i + 1]!)),
      ),
      ...targets.map(({ a, b }) => Math.hypot(a, b)),
      0,
    ) > CLOSE_CHROMA;
  const half = far ? PLANE_HALF : CLOSE_CHROMA + 12;
  const outlines = slice.outlines.map((points) => `M${polyline(points).replace(/ /g, "L")}Z`).join(" ");
  const spoken = targets.flatMap((target, i) =>
    Math.abs(valueOf(target) - value) <= NEAR_VALUE
      ? [`${names[i]} ${withinSlice(slice, target) ? "inside" : "outside"}`]
      : [],
  );
  /** A pixel of the screen, in the plane's units. */
  const px = (2 * half) / PLANE_PX;
  return (
    <svg
      viewBox={`${PLANE_HALF - half} ${PLANE_HALF - half} ${2 * half} ${2 * half}`}
      role="img"
      aria-label={`Reach at value ${value.toFixed(1)}. ${spoken.length > 0 ? `Areas of this value: ${spoken.join(", ")}.` : "No area has this value."}`}
      className="mx-auto aspect-square w-full"
      style={{ background: "#bdbdbd", maxWidth: PLANE_PX }}
    >
      {[20, 40, 60, 80].map((C) => (
        <circle key={C} cx={x(0)} cy={y(0)} r={C} fill="none" stroke="#222" strokeOpacity="0.14" strokeWidth="0.4" />
      ))}
      {[
        ["orange", 55],
        ["yellow", 90],
        ["green", 150],
        ["blue", 265],
        ["violet", 315],
        ["rose", 0],
      ].map(([word, h]) => {
        const angle = (Number(h) * Math.PI) / 180;
        return (
          <text
            key={word}
            x={x((half - 22 * px) * Math.cos(angle))}
            y={y((half - 12 * px) * Math.sin(angle))}
            fontSize={13 * px}
            fill="#222"
            textAnchor="middle"
            dominantBaseline="middle"
          >
            {word}
          </text>
        );
      })}
      <path
        d={outlines}
        fillRule="evenodd"
        fill="#fbfbfb"
        fillOpacity="0.62"
        stroke="#222"
        strokeWidth="0.9"
        strokeLinejoin="round"
      />
      {slice.paths.map(({ pair, points }) => (
        <polyline
          key={pair.join()}
          points={polyline(points)}
          fill="none"
          stroke="#222"
          strokeOpacity="0.35"
          strokeWidth="0.5"
        >
          <title>{`${paints[pair[0]]?.name} into ${paints[pair[1]]?.name}`}</title>
        </polyline>
      ))}
      {slice.alone.map((point) => {
        const paint = paints[point.paints[0]!];
        const name = paint?.name.split(",")[0] ?? "";
        // The name stands outside the shape where there is room for it; a letter is about half as wide as high.
        const outwards = Math.abs(point.a) + (7 * name.length + 12) * px < half ? 1 : -1;
        const side = (point.a < 0 ? -1 : 1) * outwards;
        return (
          paint && (
            <g key={paint.id}>
              <rect
                x={x(point.a) - 2.6}
                y={y(point.b) - 2.6}
                width="5.2"
                height="5.2"
                fill={screenColourOfLab({ L: slice.L, a: point.a, b: point.b }).hex}
                stroke="#222"
                strokeWidth="0.6"
              >
                <title>{paint.name}</title>
              </rect>
              <text
                x={x(point.a) + side * 6 * px}
                y={y(point.b)}
                fontSize={14 * px}
                fill="#222"
                textAnchor={side < 0 ? "end" : "start"}
                dominantBaseline="middle"
                className="name-face"
              >
                {name}
              </text>
            </g>
          )
        );
      })}
      {targets.map((target, i) => {
        const near = Math.abs(valueOf(target) - value) <= NEAR_VALUE;
        const inside = withinSlice(slice, target);
        return (
          <g key={i} opacity={near ? 1 : 0.35}>
            <circle
              cx={x(target.a)}
              cy={y(target.b)}
              r={(near ? 9 : 5) * px}
              fill={screenColourOfLab(target).hex}
              stroke={near && !inside ? "#96263a" : "#222"}
              strokeWidth={near ? 1.1 : 0.5}
              strokeDasharray={near && !inside ? "1.6 1.2" : undefined}
            />
            {near && (
              <text
                x={x(target.a)}
                y={y(target.b)}
                fontSize={13 * px}
                textAnchor="middle"
                dominantBaseline="central"
                fill={target.L > 55 ? "#111" : "#fff"}
              >
                {i + 1}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** Room of a number on the value bar, per cent. */
const LABEL_SHARE = 4;

/** From light to dark: what the palette reaches, each area on it. */
function ValueBar({
  targets,
  names,
  served,
  darkest,
  lightest,
  value,
  onValue,
}: {
  targets: readonly Lab[];
  names: readonly string[];
  served: readonly number[];
  darkest: number;
  lightest: number;
  value: number;
  onValue: (value: number) => void;
}) {
  const at = (v: number): string => `${(10 - v) * 10}%`;
  const own = targets.map(valueOf);
  const lefts = spreadTicks(
    own.map((v) => (10 - v) * 10),
    LABEL_SHARE,
    100,
  );
  return (
    <div>
      <div className="relative h-11" role="group" aria-label="Values of the areas, light to dark">
        <div
          aria-hidden
          className="absolute inset-x-0 top-2.5 h-3 outline outline-1 outline-(--hairline)"
          style={{ background: "linear-gradient(to right, #fff, #000)" }}
        />
        <div
          aria-hidden
          className="absolute top-[0.45rem] h-[1.15rem] border-x-2 border-b-2 border-current"
          style={{ left: at(lightest), right: `${darkest * 10}%` }}
        />
        {own.map((v, i) => (
          <button
            key={i}
            type="button"
            title={`${names[i]}: value ${v.toFixed(1)}, off by ${served[i]?.toFixed(1) ?? "?"}`}
            aria-label={`${names[i]}: look at value ${v.toFixed(1)}`}
            onClick={() => onValue(Math.round(v * 10) / 10)}
            className={`absolute top-[1.9rem] w-[4%] cursor-pointer text-center text-[0.87rem] leading-none ${v < darkest ? "font-bold text-error" : ""}`}
            style={{ left: `${lefts[i]}%` }}
          >
            {i + 1}
          </button>
        ))}
      </div>
      <p className="label-line mt-1">
        The bracket is what the palette reaches: value {lightest.toFixed(1)}, the bare paper, down to{" "}
        {darkest.toFixed(1)}.
      </p>
      <input
        type="range"
        className="range range-xs mt-1 w-full [--range-fill:0]"
        dir="rtl"
        min={0.5}
        max={9.8}
        step={0.1}
        value={value}
        aria-label="Value looked at"
        aria-valuetext={`value ${value.toFixed(1)}`}
        onChange={(event) => onValue(Number(event.target.value))}
      />
    </div>
  );
}

function Neutral({
  name,
  point,
  L,
  paints,
}: {
  name: string;
  point: SlicePoint;
  L: number;
  paints: readonly KnownPaint[];
}) {
  const lab = { L, a: point.a, b: point.b };
  const mix = point.paints
    .map((p, i) => ({ name: paints[p]?.name ?? "", amount: point.amounts[i] }))
    .filter(({ amount }) => amount! > 0.03)
    .sort((one, two) => two.amount! - one.amount!);
  return (
    <li className="flex items-center gap-3">
      <span aria-hidden className="h-8 w-14 shrink-0" style={{ background: screenColourOfLab(lab).hex }} />
      <span className="text-[0.9rem] leading-snug">
        <span className="font-semibold">{name}</span>: {describeColour(lab).hueName}, from{" "}
        {listed(mix.map((part) => part.name))}
      </span>
    </li>
  );
}

/** What the palette can reach, value by value. */
export function ReachView() {
  const paints = usePaints();
  const lookedAt = useLookedAt();
  const own = lookedAt.flatMap((id) => paints.get(id) ?? []);
  const colours = useWantedColours();
  const wanted = useMemo(() => colours.map(({ lab }) => lab), [colours]);
  const names = colours.map(({ name }) => name);
  const laid = useLaid();
  const [value, setValue] = useState(() => (wanted[0] ? Math.round(valueOf(wanted[0]) * 10) / 10 : 5));
  const { answer, fault } = useReach("slice", laid && { laid, L: lightnessOfValue(value) });
  const served = useServed([lookedAt]);
  if (!laid) return <p>The tray is empty: there is nothing to reach with yet.</p>;
  if (fault)
    return (
      <p role="alert" className="text-error">
        {fault}
      </p>
    );
  if (!answer)
    return (
      <p role="status" className="quiet">
        Mixing the whole reach …
      </p>
    );
  const { slice, darkestL } = answer;
  const errors = served[0]?.served.map(({ ideal }) => ideal) ?? [];
  const missed = names.filter((_, i) => (errors[i] ?? 0) >= FAIR);
  const darkest = valueOf({ L: darkestL, a: 0, b: 0 });
  return (
    <div className="space-y-3">
      <p className="leading-snug">
        At <span className="font-semibold">value {value.toFixed(1)}</span>, the light shape is the <Term word="reach" />{" "}
        of {own.length === 1 ? "this paint" : "these paints"}: grey in the middle, purer outward. Lines show how two
        paints mix: they bend. Areas of about this value are full, the others faint
        {missed.length > 0 && (
          <>
            ; <span className="text-warning">out of reach: {listed(missed)}</span>
          </>
        )}
        .
      </p>
      <Plane slice={slice} paints={own} targets={wanted} names={names} value={value} />
      <ValueBar
        targets={wanted}
        names={names}
        served={errors}
        darkest={darkest}
        lightest={9.6}
        value={value}
        onValue={setValue}
      />
      {slice.neutrals ? (
        <ul aria-label="Neutrals at this value" className="space-y-1">
          <Neutral name="Warmest neutral" point={slice.neutrals.warm} L={slice.L} paints={own} />
          <Neutral name="Coolest neutral" point={slice.neutrals.cool} L={slice.L} paints={own} />
        </ul>
      ) : (
        <p className="text-[0.9rem]">
          {value < darkest ? "Nothing is so dark here." : "No neutral at this value: nothing greys these paints."}
        </p>
      )}
    </div>
  );
}
