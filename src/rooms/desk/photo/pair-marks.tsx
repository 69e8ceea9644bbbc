"use client";

import type { Pair } from "../desk-state";
import { useDesk } from "../desk-store";
import { screenOfPhoto, type Viewport } from "./viewport";

function PairMark({ pair, viewport, name }: { pair: Pair; viewport: Viewport; name: string }) {
  const a = screenOfPhoto(viewport, pair.a);
  const b = pair.b && screenOfPhoto(viewport, pair.b);
  return (
    <g>
      {b && <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#000" strokeOpacity={0.6} strokeWidth={3} />}
      {b && <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#fff" strokeWidth={1.2} />}
      {[a, b].map(
        (end, i) =>
          end && (
            <g key={i} transform={`translate(${end.x} ${end.y})`}>
              <circle r={9} fill="#fbfbfb" stroke="#222" />
              <text y={4} textAnchor="middle" fontSize={13} fontWeight={600} fill="#222">
                {i === 0 ? `${name}a` : `${name}b`}
              </text>
            </g>
          ),
      )}
    </g>
  );
}

/** The pairs of points that are being compared, over the photo. */
export function PairMarks({ viewport }: { viewport: Viewport }) {
  const pair = useDesk((s) => s.pair);
  const pinned = useDesk((s) => s.document.study.pairs);
  const step = useDesk((s) => s.step);
  if (step !== "photo") return null;
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full overflow-hidden">
      {pinned.map((one, i) => (
        <PairMark key={one.id} pair={one} viewport={viewport} name={String(i + 1)} />
      ))}
      {pair && <PairMark pair={pair} viewport={viewport} name="" />}
    </svg>
  );
}
