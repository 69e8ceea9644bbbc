"use client";

import { useMemo } from "react";
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { byWeek, ERROR_UNITS, EYE_KINDS, type EyeAnswer } from "@/core/training";
import { QUESTION_WORDS } from "./words";

/** How one does, week by week, against the usual error of each kind. */
export function Weeks({ answers }: { answers: readonly EyeAnswer[] }) {
  const rows = useMemo(() => byWeek(answers).map(({ week, means }) => ({ week, ...means })), [answers]);
  const dashes = ["", "6 3", "2 3", "8 3 2 3", "1 4"];
  return (
    <figure aria-label="Errors by week" className="h-64 max-w-3xl">
      <ResponsiveContainer>
        <LineChart
          aria-label="Along the chart: the arrow keys tell each value"
          data={rows}
          margin={{ left: 0, right: 16, top: 8, bottom: 4 }}
        >
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis dataKey="week" tick={{ fontSize: 13, fill: "var(--quiet)" }} />
          <YAxis width={40} tick={{ fontSize: 13, fill: "var(--quiet)" }} />
          <Tooltip isAnimationActive={false} />
          <Legend wrapperStyle={{ fontSize: 13 }} />
          {EYE_KINDS.map((kind, i) => (
            <Line
              key={kind}
              dataKey={kind}
              name={`${QUESTION_WORDS[kind]} (${ERROR_UNITS[kind]})`}
              stroke="var(--color-base-content)"
              strokeDasharray={dashes[i]}
              dot
              connectNulls
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
