"use client";

import { TOUCH, type MixPart } from "@/core/mixing";
import { type Paper } from "@/core/optics";
import { Strip } from "./strip";

export interface NamedPart extends MixPart {
  readonly name: string;
}

/** A part as a painter says it: "3" or "a touch of". */
export function partsWord(parts: number): string {
  return parts === TOUCH ? "a touch of" : String(parts);
}

interface RecipeBarProps {
  readonly parts: readonly NamedPart[];
  readonly paper: Paper;
  readonly width: number;
}

const GAP = 3;
const SHORTEST = 30;

/** Parts as lengths, in the paints' own strips, with words under them that read at arm's length. */
export function RecipeBar({ parts, paper, width }: RecipeBarProps) {
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  const free = width - GAP * (parts.length - 1);
  const raw = parts.map((part) => Math.max(SHORTEST, (free * part.parts) / total));
  const scale = free / raw.reduce((a, b) => a + b, 0);
  return (
    <div style={{ width }}>
      <div className="flex" style={{ gap: GAP }}>
        {parts.map((part, i) => (
          <Strip
            key={part.paint.id}
            mix={[part]}
            paper={paper}
            width={Math.round(raw[i]! * scale)}
            height={20}
            from={0.9}
            to={0.25}
            label={`${partsWord(part.parts)} ${part.name}`}
          />
        ))}
      </div>
      <p className="name-face mt-1 text-[1.12rem] leading-snug">
        {parts.map((part, i) => (
          <span key={part.paint.id}>
            {i > 0 && <span className="quiet"> + </span>}
            <span className="whitespace-nowrap">
              <span className="font-semibold">{partsWord(part.parts)}</span> {part.name}
            </span>
          </span>
        ))}
      </p>
    </div>
  );
}
