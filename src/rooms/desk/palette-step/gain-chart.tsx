"use client";

import { CartesianGrid, Line, LineChart, ReferenceDot, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { FoundSize } from "@/core/palette";

/** Error against the number of paints: where the line flattens, one more paint hardly helps. */
export function GainChart({ sizes, chosen }: { sizes: readonly FoundSize[]; chosen: number }) {
  const data = sizes.map(({ size, best }) => ({ size, error: best[0].error }));
  const now = data.find(({ size }) => size === chosen);
  return (
    <figure
      aria-label={`Mean error by number of paints: ${data.map(({ size, error }) => `${size}: ${error.toFixed(1)}`).join(", ")}`}
      className="h-40"
    >
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={data} margin={{ top: 8, right: 12, bottom: 18, left: 0 }}>
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis
            dataKey="size"
            type="number"
            domain={[1, 12]}
            ticks={[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]}
            stroke="currentColor"
            tick={{ fontSize: 13 }}
            label={{ value: "paints", position: "insideBottom", offset: -10, fontSize: 13, fill: "currentColor" }}
          />
          <YAxis
            stroke="currentColor"
            width={40}
            tick={{ fontSize: 13 }}
            domain={[0, "auto"]}
            label={{
              value: "off by, dE00",
              angle: -90,
              position: "insideLeft",
              fontSize: 13,
              fill: "currentColor",
              dy: 34,
            }}
          />
          <Line
            dataKey="error"
            stroke="currentColor"
            strokeWidth={2}
            dot={{ r: 3, fill: "currentColor" }}
            isAnimationActive={false}
          />
          {now && <ReferenceDot x={now.size} y={now.error} r={6} fill="var(--color-primary)" stroke="none" />}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
