import {
  CARD,
  cellBox,
  cellsOfNumber,
  lineBox,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  ROWS,
  swatchBox,
  SWATCHES,
  windowBox,
} from "@/core/calibration";

const SHADES = ["#4d4d4d", "#8a8a8a", "#bdbdbd", "#e0e0e0", "#8a8a8a"];

/** The card drawn small: what is painted where. Greys stand for whatever paint it is. */
export function CardDrawing({
  painted,
  framed = false,
  className = "",
}: {
  painted: boolean;
  framed?: boolean;
  className?: string;
}) {
  return (
    <svg
      viewBox={`-12 -12 ${CARD.width + 24} ${CARD.height + 24}`}
      className={className}
      role="img"
      aria-label="A swatch card: four rows of five swatches, the last of each across a black line"
    >
      <rect
        x={-12}
        y={-12}
        width={CARD.width + 24}
        height={CARD.height + 24}
        fill={framed ? "#e3e3e3" : "#fbfbfb"}
        stroke="var(--hairline)"
      />
      {FIDUCIAL_CENTRES.map(({ x, y }, i) => (
        <g key={`${x} ${y}`}>
          <circle cx={x} cy={y} r={FIDUCIAL.radius} fill="#222" />
          <circle cx={x} cy={y} r={i === 0 ? FIDUCIAL.wideHole : FIDUCIAL.hole} fill="#fbfbfb" />
        </g>
      ))}
      {Array.from({ length: ROWS }, (_, row) => (
        <g key={row}>
          {framed && <rect {...windowBox(row)} fill="#fbfbfb" stroke="#222" strokeDasharray="3 2" strokeWidth={0.8} />}
          <rect {...lineBox(row)} fill="#222" />
          {Array.from({ length: SWATCHES }, (__, swatch) => (
            <rect
              key={swatch}
              {...swatchBox(row, swatch)}
              fill={painted ? SHADES[swatch] : "none"}
              fillOpacity={swatch === SWATCHES - 1 ? 0.75 : 1}
              stroke="#9a9a9a"
              strokeWidth={0.6}
            />
          ))}
        </g>
      ))}
      {cellsOfNumber(framed ? 0 : 37).map(
        (black, i) => black && <rect key={cellBox(i).x} {...cellBox(i)} fill="#222" />,
      )}
    </svg>
  );
}
