import {
  BOX_PLACES,
  BOX_WASHES,
  boxWash,
  CARD,
  cellBox,
  cellsOfNumber,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  KIND_CELLS,
  lineBox,
  ROWS,
  swatchBox,
  SWATCHES,
  type SheetKind,
} from "@/core/calibration";

const CARD_SHADES = ["#4d4d4d", "#8a8a8a", "#bdbdbd", "#e0e0e0", "#8a8a8a"];
const BOX_SHADES = ["#4d4d4d", "#c4c4c4"];
const WORDS: Readonly<Record<SheetKind, string>> = {
  card: "A swatch card: four rows of five swatches, the last of each across a black line",
  box: "A box sheet: six lines of four paints, two washes of each",
};

function CardRows() {
  return Array.from({ length: ROWS }, (_, row) => (
    <g key={row}>
      <rect {...lineBox(row)} fill="#222" />
      {Array.from({ length: SWATCHES }, (__, swatch) => (
        <rect
          key={swatch}
          {...swatchBox(row, swatch)}
          fill={CARD_SHADES[swatch]}
          fillOpacity={swatch === SWATCHES - 1 ? 0.75 : 1}
          stroke="#9a9a9a"
          strokeWidth={0.6}
        />
      ))}
    </g>
  ));
}

function BoxPairs() {
  return Array.from({ length: BOX_PLACES }, (_, place) =>
    Array.from({ length: BOX_WASHES }, (__, wash) => (
      <rect
        key={`${place} ${wash}`}
        {...boxWash(place, wash)}
        fill={BOX_SHADES[wash]}
        stroke="#9a9a9a"
        strokeWidth={0.6}
      />
    )),
  );
}

/** A sheet drawn small: what is painted where. Greys stand for whatever paint it is. */
export function SheetDrawing({ kind, className = "" }: { kind: SheetKind; className?: string }) {
  const cells = cellsOfNumber(37).flatMap((black, i) => (black ? [cellBox(i)] : []));
  return (
    <svg
      viewBox={`-12 -12 ${CARD.width + 24} ${CARD.height + 24}`}
      className={className}
      role="img"
      aria-label={WORDS[kind]}
    >
      <rect x={-12} y={-12} width={CARD.width + 24} height={CARD.height + 24} fill="#fbfbfb" stroke="var(--hairline)" />
      {FIDUCIAL_CENTRES.map(({ x, y }, i) => (
        <g key={`${x} ${y}`}>
          <circle cx={x} cy={y} r={FIDUCIAL.radius} fill="#222" />
          <circle cx={x} cy={y} r={i === 0 ? FIDUCIAL.wideHole : FIDUCIAL.hole} fill="#fbfbfb" />
        </g>
      ))}
      {kind === "card" ? <CardRows /> : <BoxPairs />}
      {[...cells, ...(kind === "box" ? KIND_CELLS.map(cellBox) : [])].map((cell) => (
        <rect key={cell.x} {...cell} fill="#222" />
      ))}
    </svg>
  );
}
