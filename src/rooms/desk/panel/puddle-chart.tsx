"use client";

import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { PuddlePlan } from "@/core/planning";
import { AXIS, below, beside } from "../chart-axes";

/** What fewer puddles cost: the mean that comes out in the hand against their number, and how many are mixed now. */
export function PuddleChart({ plans, now }: { plans: readonly PuddlePlan[]; now: number }) {
  const data = plans.map(({ puddles, inHand }) => ({ puddles: puddles.length, inHand }));
  const most = Math.max(now, ...data.map(({ puddles }) => puddles));
  return (
    <figure
      aria-label={`Off by, for each number of puddles: ${data.map(({ puddles, inHand }) => `${puddles}: ${inHand.toFixed(1)}`).join(", ")}`}
    >
      <div className="h-32">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart accessibilityLayer={false} data={data} margin={{ top: 8, right: 12, bottom: 18, left: 0 }}>
            <CartesianGrid stroke="var(--hairline)" vertical={false} />
            <XAxis
              {...AXIS}
              dataKey="puddles"
              type="number"
              domain={[1, most]}
              allowDecimals={false}
              label={below("puddles")}
            />
            <YAxis
              {...AXIS}
              width={40}
              domain={[(least: number) => Math.floor(least), (top: number) => Math.ceil(top)]}
              label={beside("off by, dE00", 34)}
            />
            <ReferenceLine x={now} stroke="var(--color-primary)" strokeWidth={2} />
            <Line
              dataKey="inHand"
              type="monotone"
              stroke="currentColor"
              strokeWidth={2}
              dot={{ r: 3, fill: "currentColor" }}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
