"use client";

import { MAX_RADIUS, MIN_RADIUS, useDesk } from "../desk-store";
import { usePhoto } from "../photo-study";

/** How large the circle is that a colour is read from. */
export function CircleSize() {
  const { size } = usePhoto();
  const radius = useDesk((s) => s.radius);
  const setRadius = useDesk((s) => s.setRadius);
  return (
    <label className="flex items-center gap-2 whitespace-nowrap">
      Circle
      <input
        type="range"
        className="range range-xs w-28 [--range-fill:0] text-(--photo-ink)"
        min={Math.log(MIN_RADIUS)}
        max={Math.log(MAX_RADIUS)}
        step={0.01}
        value={Math.log(radius)}
        onChange={(event) => setRadius(Math.exp(Number(event.target.value)))}
        aria-valuetext={`${Math.round(radius * size.width)} pixels`}
      />
      <span className="w-12 text-right">{Math.max(1, Math.round(2 * radius * size.width))} px</span>
    </label>
  );
}
