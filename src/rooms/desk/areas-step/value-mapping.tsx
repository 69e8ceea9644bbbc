"use client";

import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import { describeColour } from "@/core/colour";
import { CURVE_AT, CURVE_KINDS, paintedValue, type CurveKind, type CurveValues } from "@/core/planning";
import { coloursOf } from "@/model/washes";
import { useDesk, useDeskStore } from "../desk-store";
import { useBoxRange, useCurve } from "../targets";

const WORDS: Readonly<Record<CurveKind, { name: string; does: string }>> = {
  lights: {
    name: "keep the lights",
    does: "Lights and middles stay as they are; the darks move together, where paint runs out.",
  },
  even: { name: "compress", does: "All values move together evenly, so that every step of the photo stays a step." },
  high: { name: "high key", does: "Everything is lifted: airy, no strong darks." },
  low: { name: "low key", does: "Everything sinks: weight and glow, few lights." },
};

const SIDE = 176;
const MARGIN = 20;
const at = (value: number): number => (value / 10) * SIDE;

/**
 * The curve from the photo's values to the sheet's, beside the scale of what paper and paints reach; its points can be
 * bent.
 */
export function ValueMapping() {
  const curve = useCurve();
  const range = useBoxRange();
  const chosen = useDesk((s) => s.document.study.curve);
  const areas = useDesk((s) => s.document.areas);
  const changeStudy = useDesk((s) => s.changeStudy);
  const { temporal } = useDeskStore();
  const plot = useRef<SVGSVGElement>(null);
  const dragged = useRef<{ index: number; moved: boolean } | null>(null);

  const bend = (index: number, value: number): void => {
    const values = curve.map((v, i) => (i === index ? value : v));
    // A curve never falls: neighbours give way.
    for (let i = index - 1; i >= 0; i--) values[i] = Math.min(values[i]!, values[i + 1]!);
    for (let i = index + 1; i < values.length; i++) values[i] = Math.max(values[i]!, values[i - 1]!);
    changeStudy({
      curve: {
        kind: "bent",
        values: values.map((v) => Math.min(range.lightest, Math.max(range.darkest, v))) as unknown as [...CurveValues],
      },
    });
  };
  const drag = (event: PointerEvent): void => {
    const held = dragged.current;
    const box = plot.current?.getBoundingClientRect();
    if (!held || !box) return;
    const y = ((event.clientY - box.top) * (SIDE + 2 * MARGIN)) / box.height - MARGIN;
    bend(held.index, 10 * (1 - y / SIDE));
    if (!held.moved) temporal.getState().pause();
    held.moved = true;
  };
  const drop = (): void => {
    dragged.current = null;
    temporal.getState().resume();
  };
  const onKey =
    (index: number) =>
    (event: KeyboardEvent): void => {
      const step = event.key === "ArrowUp" ? 0.1 : event.key === "ArrowDown" ? -0.1 : 0;
      if (step === 0) return;
      event.preventDefault();
      event.stopPropagation();
      bend(index, curve[index]! + step);
    };
  const line = Array.from(
    { length: 51 },
    (_, i) => `${i === 0 ? "M" : "L"}${at(i / 5).toFixed(1)} ${(SIDE - at(paintedValue(i / 5, curve))).toFixed(1)}`,
  ).join("");

  return (
    <section aria-label="Value mapping" className="space-y-2.5">
      <h3 className="font-semibold">From the photo&apos;s values to the sheet&apos;s</h3>
      <p className="quiet text-[0.9rem] leading-snug">
        Paint and paper reach from value {range.darkest.toFixed(1)} to {range.lightest.toFixed(1)}; a photo goes from 0
        to 10.
      </p>
      <div className="flex gap-4">
        <svg
          ref={plot}
          viewBox={`${-MARGIN} ${-MARGIN} ${SIDE + 2 * MARGIN} ${SIDE + 2 * MARGIN}`}
          className="w-52 shrink-0 touch-none select-none"
          onPointerMove={drag}
          onPointerUp={drop}
          onPointerCancel={drop}
          role="group"
          aria-label="Value curve"
        >
          <defs>
            <linearGradient id="values-up" x1="0" x2="0" y1="1" y2="0">
              <stop offset="0" stopColor="#000" />
              <stop offset="1" stopColor="#fff" />
            </linearGradient>
            <linearGradient id="values-across">
              <stop offset="0" stopColor="#000" />
              <stop offset="1" stopColor="#fff" />
            </linearGradient>
          </defs>
          <rect x={-12} y={0} width={7} height={SIDE} fill="url(#values-up)" />
          <rect x={0} y={SIDE + 5} width={SIDE} height={7} fill="url(#values-across)" />
          <path
            d={`M-14 ${SIDE - at(range.lightest)}H-17V${SIDE - at(range.darkest)}H-14`}
            fill="none"
            stroke="currentColor"
            strokeWidth={1.4}
          />
          <rect
            x={0}
            y={SIDE - at(range.lightest)}
            width={SIDE}
            height={at(range.lightest - range.darkest)}
            fill="var(--color-base-200)"
          />
          <path d={`M0 ${SIDE}L${SIDE} 0`} stroke="var(--hairline)" strokeDasharray="3 3" fill="none" />
          <rect x={0} y={0} width={SIDE} height={SIDE} fill="none" stroke="var(--hairline)" />
          {areas.flatMap(coloursOf).map(({ id, lab }) => {
            const value = describeColour(lab).value;
            return (
              <path
                key={id}
                d={`M${at(value)} ${SIDE}V${SIDE - at(paintedValue(value, curve))}H0`}
                stroke="currentColor"
                strokeOpacity={0.16}
                fill="none"
              />
            );
          })}
          <path d={line} fill="none" stroke="currentColor" strokeWidth={2} />
          {curve.map((value, i) => (
            <circle
              key={CURVE_AT[i]}
              cx={at(CURVE_AT[i]!)}
              cy={SIDE - at(value)}
              r={5.5}
              className="cursor-ns-resize"
              fill="var(--color-base-100)"
              stroke="currentColor"
              strokeWidth={1.6}
              tabIndex={0}
              role="slider"
              aria-label={`Painted value for the photo's ${CURVE_AT[i]}`}
              aria-valuenow={Math.round(10 * value) / 10}
              aria-valuemin={0}
              aria-valuemax={10}
              onKeyDown={onKey(i)}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                dragged.current = { index: i, moved: false };
              }}
            />
          ))}
        </svg>
        <div className="min-w-0 space-y-1.5 pt-3">
          <div role="radiogroup" aria-label="Value curve" className="space-y-1">
            {CURVE_KINDS.map((kind) => (
              <label key={kind} className="flex cursor-pointer items-center gap-1.5">
                <input
                  type="radio"
                  name="curve"
                  className="radio radio-xs radio-primary"
                  checked={chosen.kind === kind}
                  onChange={() => changeStudy({ curve: { kind } })}
                />{" "}
                {WORDS[kind].name}
              </label>
            ))}
            <label className="flex cursor-pointer items-center gap-1.5">
              <input
                type="radio"
                name="curve"
                className="radio radio-xs radio-primary"
                checked={chosen.kind === "bent"}
                onChange={() => changeStudy({ curve: { kind: "bent", values: [...curve] } })}
              />{" "}
              bent by hand
            </label>
          </div>
          <p className="quiet text-[0.87rem] leading-snug">
            {chosen.kind === "bent" ? "Drag the points, or use the arrow keys on them." : WORDS[chosen.kind].does}
          </p>
        </div>
      </div>
    </section>
  );
}
