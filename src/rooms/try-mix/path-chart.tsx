"use client";

import { CartesianGrid, ReferenceLine, ResponsiveContainer, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import { screenColourOfLab, type Lab } from "@/core/colour";
import { chargePath } from "@/core/mixing";
import { type Load, type Paper } from "@/core/optics";
import type { NamedPart } from "@/ui/recipe-bar";

interface PathChartProps {
  readonly parts: readonly NamedPart[];
  readonly load: Load;
  readonly paper: Paper;
  readonly now: Lab;
}

const PATH_POINTS = 25;

interface Dot {
  readonly a: number;
  readonly b: number;
  readonly fill: string;
  readonly name?: string;
}

const dotOf = (lab: Lab, name?: string): Dot => ({ a: lab.a, b: lab.b, fill: screenColourOfLab(lab).hex, name });

function Drop({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: Dot }) {
  if (!payload) return null;
  return (
    <g>
      <circle
        cx={cx}
        cy={cy}
        r={payload.name ? 7 : 4}
        fill={payload.fill}
        stroke={payload.name ? "var(--photo-ink)" : "none"}
        strokeWidth={1}
      />
      {payload.name && (
        <text x={cx} y={cy - 11} textAnchor={payload.a > 0 ? "end" : "start"} fontSize={13} fill="var(--photo-ink)">
          {payload.name}
        </text>
      )}
    </g>
  );
}

function Here({ cx = 0, cy = 0, payload }: { cx?: number; cy?: number; payload?: Dot }) {
  return (
    <g>
      <circle cx={cx} cy={cy} r={10} fill="none" stroke="var(--photo-ink)" strokeWidth={2} />
      <circle cx={cx} cy={cy} r={7} fill={payload?.fill} />
    </g>
  );
}

/**
 * The paths between the paints on the hue and chroma plane (CIELAB a*, b*) at this strength: they bend. The ring is
 * the mix.
 */
export function PathChart({ parts, load, paper, now }: PathChartProps) {
  const paths: Dot[][] = [];
  parts.forEach((one, i) =>
    parts.slice(i + 1).forEach((two) => {
      paths.push(
        chargePath(
          { mix: [{ ...one, parts: 1 }], load },
          { mix: [{ ...two, parts: 1 }], load },
          paper,
          PATH_POINTS,
        ).map((lab) => dotOf(lab)),
      );
    }),
  );
  const ends = parts.map((part) =>
    dotOf(
      chargePath({ mix: [{ ...part, parts: 1 }], load }, { mix: [{ ...part, parts: 1 }], load }, paper, 2)[0]!,
      part.name,
    ),
  );
  const reach = Math.max(40, ...[...paths.flat(), ...ends].flatMap(({ a, b }) => [Math.abs(a), Math.abs(b)])) * 1.15;
  const domain: [number, number] = [-Math.ceil(reach / 10) * 10, Math.ceil(reach / 10) * 10];
  return (
    <figure>
      <div className="h-72" role="img" aria-label="Paths between the paints on the hue and chroma plane">
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 380, height: 288 }}>
          <ScatterChart accessibilityLayer={false} margin={{ top: 14, right: 14, bottom: 4, left: -22 }}>
            <CartesianGrid stroke="color-mix(in srgb, var(--photo-ink) 14%, transparent)" />
            <XAxis
              type="number"
              dataKey="a"
              domain={domain}
              tick={{ fontSize: 13, fill: "var(--photo-ink)" }}
              tickCount={5}
              stroke="none"
            />
            <YAxis
              type="number"
              dataKey="b"
              domain={domain}
              tick={{ fontSize: 13, fill: "var(--photo-ink)" }}
              tickCount={5}
              stroke="none"
            />
            <ReferenceLine x={0} stroke="var(--photo-ink)" strokeOpacity={0.4} />
            <ReferenceLine y={0} stroke="var(--photo-ink)" strokeOpacity={0.4} />
            {paths.map((path, i) => (
              <Scatter
                key={i}
                data={path}
                shape={Drop}
                line={{ stroke: "var(--photo-ink)", strokeOpacity: 0.35 }}
                isAnimationActive={false}
              />
            ))}
            <Scatter data={ends} shape={Drop} isAnimationActive={false} />
            <Scatter data={[dotOf(now)]} shape={Here} isAnimationActive={false} />
          </ScatterChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-[0.87rem] text-(--photo-ink)">
        green to red across, blue to yellow upwards; grey in the middle, purer outwards
      </figcaption>
    </figure>
  );
}
