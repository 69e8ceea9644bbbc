"use client";

import { type MixPart } from "@/core/mixing";
import { loadOfWater, washStrengthOf, waterWords, type Paper, type WaterParts } from "@/core/optics";
import { Strip } from "./strip";

interface StrengthStripProps {
  readonly mix: readonly MixPart[];
  readonly paper: Paper;
  readonly waterParts: WaterParts;
  readonly width: number;
}

const FROM = 1;
const TO = 0.012;

/**
 * The mix from neat to a breath, with a mark where it is to be used, and the strength in words and as paint to water.
 */
export function StrengthStrip({ mix, paper, waterParts, width }: StrengthStripProps) {
  const strength = washStrengthOf(waterParts);
  const along = Math.log(loadOfWater(waterParts) / FROM) / Math.log(TO / FROM);
  const left = Math.min(width - 6, Math.max(6, along * width));
  return (
    <div style={{ width }}>
      <div className="relative">
        <Strip
          mix={mix}
          paper={paper}
          width={width}
          height={18}
          from={FROM}
          to={TO}
          label={`The mix from neat to a breath; used at ${strength.word}`}
        />
        <span
          aria-hidden
          className="absolute -top-0.5 h-[22px] w-0.5 bg-base-content outline outline-1 outline-base-100 transition-[left] duration-150"
          style={{ left }}
        />
      </div>
      <p className="mt-1 leading-snug" title={strength.puddle}>
        <span className="font-semibold">{strength.word}</span>
        <span className="quiet"> · {waterWords(waterParts)}</span>
      </p>
    </div>
  );
}
