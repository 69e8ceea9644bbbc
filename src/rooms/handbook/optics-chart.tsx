"use client";

import { CartesianGrid, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { WAVELENGTHS_NM } from "@/core/colour";
import { type Pigment } from "@/core/pigments";

/** Absorption and scattering over the spectrum, typical, at masstone load. Told apart by dash as well as by shade. */
export function OpticsChart({ pigment }: { pigment: Pigment }) {
  const data = WAVELENGTHS_NM.map((nm, i) => ({
    nm,
    K: Number(pigment.optics.K[i]!.toFixed(3)),
    S: Number(pigment.optics.S[i]!.toFixed(3)),
  }));
  return (
    <figure>
      <div
        className="h-44"
        role="img"
        aria-label={`Absorption K and scattering S of ${pigment.name} from 380 to 730 nm`}
      >
        <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 380, height: 176 }}>
          <LineChart
            aria-label="Along the chart: the arrow keys tell each value"
            data={data}
            margin={{ top: 6, right: 8, bottom: 0, left: -18 }}
          >
            <CartesianGrid stroke="var(--hairline)" vertical={false} />
            <XAxis
              dataKey="nm"
              ticks={[400, 450, 500, 550, 600, 650, 700]}
              tick={{ fontSize: 13, fill: "var(--quiet)" }}
              stroke="var(--hairline)"
              type="number"
              domain={[380, 730]}
            />
            <YAxis tick={{ fontSize: 13, fill: "var(--quiet)" }} stroke="var(--hairline)" />
            <Tooltip
              contentStyle={{ background: "var(--color-base-100)", border: "1px solid var(--hairline)" }}
              labelFormatter={(nm) => <>{nm} nm</>}
            />
            <Line
              type="monotone"
              dataKey="K"
              name="absorption K"
              stroke="var(--color-base-content)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            <Line
              type="monotone"
              dataKey="S"
              name="scattering S"
              stroke="var(--quiet)"
              strokeWidth={2}
              strokeDasharray="5 4"
              dot={false}
              isAnimationActive={false}
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="label-line">
        absorption K (line) and scattering S (dashed) per masstone load, over nm; typical
      </figcaption>
    </figure>
  );
}
