"use client";

import type { ValueRange } from "@/core/mixing";

interface ValueRailProps {
  readonly areas: readonly { readonly id: string; readonly name: string; readonly value: number }[];
  readonly selectedId: string | null;
  readonly range: ValueRange;
  readonly height: number;
  readonly onSelect: (id: string) => void;
}

const TICK_HEIGHT = 15;

/** Places ticks at their values, pushed apart just enough to be read. */
export function spreadTicks(tops: readonly number[], gap: number, height: number): readonly number[] {
  const order = tops.map((_, i) => i).sort((a, b) => tops[a]! - tops[b]!);
  const placed = [...tops];
  let floor = 0;
  for (const i of order) {
    placed[i] = Math.max(floor, placed[i]!);
    floor = placed[i] + gap;
  }
  let ceiling = height - gap;
  for (const i of [...order].reverse()) {
    placed[i] = Math.min(ceiling, placed[i]!);
    ceiling = placed[i] - gap;
  }
  return placed;
}

/** Where there are more ticks than can be read, those that are numbered: the wanted one, then from the top down. */
export function numberedTicks(tops: readonly number[], gap: number, wanted: number): ReadonlySet<number> {
  const numbered = new Set(wanted >= 0 ? [wanted] : []);
  for (const i of [...tops.keys()].sort((a, b) => tops[a]! - tops[b]!))
    if ([...numbered].every((other) => Math.abs(tops[other]! - tops[i]!) >= gap)) numbered.add(i);
  return numbered;
}

/** Light to dark along the photo's edge: a tick for each area, and what the palette reaches as a bracket. */
export function ValueRail({ areas, selectedId, range, height, onSelect }: ValueRailProps) {
  const at = (value: number): number => (1 - value / 10) * height;
  const values = areas.map(({ value }) => value);
  const own = values.map((value) => Math.min(height - TICK_HEIGHT, Math.max(0, at(value) - TICK_HEIGHT / 2)));
  const crowded = areas.length * (TICK_HEIGHT + 1) > height;
  const tops = crowded ? own : spreadTicks(own, TICK_HEIGHT + 1, height);
  const selected = areas.findIndex(({ id }) => id === selectedId);
  const numbered = numberedTicks(tops, TICK_HEIGHT + 1, selected);
  return (
    <div
      className="relative w-14 shrink-0 text-[0.87rem] text-(--photo-ink)"
      style={{ height }}
      role="group"
      aria-label="Values from light to dark"
    >
      <div
        aria-hidden
        className="absolute inset-y-0 left-5 w-2.5"
        style={{ background: "linear-gradient(to bottom, #fff, #000)" }}
      />
      {Array.from({ length: 11 }, (_, value) => (
        <span
          key={value}
          aria-hidden
          className="absolute left-0 w-4 -translate-y-1/2 text-right leading-none opacity-85"
          style={{ top: Math.min(height - 6, Math.max(6, at(value))) }}
        >
          {value}
        </span>
      ))}
      <div
        role="img"
        aria-label={`The palette reaches from value ${range.darkest.toFixed(1)} to ${range.lightest.toFixed(1)}`}
        title={`The palette reaches from value ${range.darkest.toFixed(1)} to ${range.lightest.toFixed(1)}`}
        className="absolute left-[1.15rem] w-4 border-y-2 border-l-2 border-current"
        style={{ top: at(range.lightest), height: at(range.darkest) - at(range.lightest) }}
      />
      {areas.map((area, i) => (
        <button
          key={area.id}
          type="button"
          tabIndex={-1}
          title={`${area.name}: value ${values[i]!.toFixed(1)}`}
          aria-label={`${area.name}: value ${values[i]!.toFixed(1)}`}
          onClick={() => onSelect(area.id)}
          className={`absolute left-8 flex items-center leading-none ${area.id === selectedId ? "font-bold" : ""}`}
          style={{ top: tops[i], height: TICK_HEIGHT }}
        >
          <span aria-hidden className="mr-1 h-px w-1.5 bg-current" />
          {(!crowded || numbered.has(i)) && i + 1}
        </button>
      ))}
    </div>
  );
}
