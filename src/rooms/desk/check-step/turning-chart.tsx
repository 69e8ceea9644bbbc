"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { DarkeningPath } from "@/core/darks";
import { AXIS, below } from "../chart-axes";

/** Value and chroma over the darkener's share, and where they turn. */
export function TurningChart({ path, darkener }: { path: DarkeningPath; darkener: string }) {
  const data = path.at.map(({ share, value, chroma }) => ({ share: 100 * share, value, chroma }));
  const first = data[0]!;
  const last = data[data.length - 1]!;
  return (
    <figure
      aria-label={`From ${first.value.toFixed(1)} in value and ${first.chroma.toFixed(0)} in chroma to ${last.value.toFixed(1)} and ${last.chroma.toFixed(0)}`}
    >
      <div className="h-40">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart accessibilityLayer={false} data={data} margin={{ top: 8, right: 0, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--hairline)" vertical={false} />
            <XAxis
              dataKey="share"
              type="number"
              domain={[0, 100]}
              ticks={[0, 25, 50, 75, 100]}
              {...AXIS}
              label={below(`% ${darkener}`)}
            />
            <YAxis {...AXIS} yAxisId="value" width={34} domain={[0, 5]} />
            <YAxis {...AXIS} yAxisId="chroma" orientation="right" width={34} />
            {path.dead !== null && !path.lightens && (
              <ReferenceLine yAxisId="value" x={100 * path.dead} stroke="currentColor" strokeDasharray="4 3" />
            )}
            <Line
              yAxisId="value"
              dataKey="value"
              name="value"
              dot={false}
              stroke="currentColor"
              strokeWidth={2}
              isAnimationActive={false}
            />
            <Line
              yAxisId="chroma"
              dataKey="chroma"
              name="chroma"
              dot={false}
              stroke="currentColor"
              strokeDasharray="2 3"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="label-line">
        value, left (line) · chroma, right (dotted) · where it goes dead (dashes)
      </figcaption>
    </figure>
  );
}
