"use client";

import { Area, AreaChart, CartesianGrid, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import type { FoundSize } from "@/core/palette";
import { counted } from "@/model/text";
import { AXIS, below, beside } from "../chart-axes";

/** What makes up the expected error of a palette, from below, and how it is drawn. */
const PARTS = [
  { key: "reach", name: "what no exact mix reaches", fill: "var(--color-base-content)", opacity: 0.75 },
  { key: "hand", name: "the hand", fill: "var(--color-base-content)", opacity: 0.42 },
  { key: "paints", name: "what is not known of the paints", fill: "var(--color-base-content)", opacity: 0.16 },
] as const;

/** Expected error against the number of paints, by what it comes of: where it flattens, one more paint hardly helps. */
export function GainChart({ sizes, chosen }: { sizes: readonly FoundSize[]; chosen: number }) {
  const data = sizes.flatMap(({ size, best: [found] }) =>
    found
      ? {
          size,
          reach: found.ideal,
          hand: found.error - found.ideal,
          paints: found.expected - found.error,
          error: found.error,
        }
      : [],
  );
  return (
    <figure
      aria-label={`Mean error by number of paints: ${data.map(({ size, error }) => `${size}: ${error.toFixed(1)}`).join(", ")}`}
    >
      <div className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <AreaChart
            aria-label="Along the chart: the arrow keys tell each value"
            data={data}
            margin={{ top: 8, right: 12, bottom: 18, left: 0 }}
          >
            <CartesianGrid stroke="var(--hairline)" vertical={false} />
            <XAxis
              dataKey="size"
              type="number"
              domain={[1, 12]}
              ticks={[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]}
              {...AXIS}
              label={below("paints")}
            />
            <YAxis {...AXIS} width={40} domain={[0, "auto"]} label={beside("off by, dE00", 34)} />
            <Tooltip
              formatter={(value, name) => [Number(value).toFixed(1), name]}
              labelFormatter={(size: React.ReactNode) => <>{counted(Number(size), "paint")}</>}
              contentStyle={{ background: "var(--color-base-100)", borderColor: "var(--hairline)" }}
            />
            {PARTS.map(({ key, name, fill, opacity }) => (
              <Area
                key={key}
                dataKey={key}
                name={name}
                stackId="parts"
                stroke="none"
                fill={fill}
                fillOpacity={opacity}
                isAnimationActive={false}
              />
            ))}
            <ReferenceLine x={chosen} stroke="var(--color-primary)" strokeWidth={2} />
          </AreaChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="flex flex-wrap gap-x-3 text-[0.87rem]">
        {PARTS.map(({ key, name, fill, opacity }) => (
          <span key={key} className="flex items-center gap-1.5">
            <span aria-hidden className="inline-block size-3" style={{ background: fill, opacity }} /> {name}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
