"use client";

import { useEffect, useRef, useState } from "react";
import { paintKey, drawnMix, type MixPart } from "@/core/mixing";
import { washPixels, type Paper } from "@/core/optics";
import { useSeen } from "./use-seen";

interface StripProps {
  /** What is brushed out: one paint or a whole mix. */
  readonly mix: readonly MixPart[];
  readonly paper: Paper;
  readonly width: number;
  readonly height: number;
  /** Load at the left and at the right end; masstone to a breath by default. */
  readonly from?: number;
  readonly to?: number;
  /** Spoken name of the strip. */
  readonly label: string;
  readonly className?: string;
}

/** Paper grain on screen, CSS pixels. */
const GRAIN_PX = 2.4;

const seedOf = (text: string): number => [...text].reduce((h, c) => (Math.imul(h, 31) + c.charCodeAt(0)) | 0, 7);

/** The signature: a wash from masstone to tint, computed by the film model, with its texture and a real wash's edge. */
export function Strip({ mix, paper, width, height, from = 1, to = 0.012, label, className }: StripProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const seen = useSeen(canvas);
  const [mapped, setMapped] = useState(false);
  const key = `${paper.id} ${mix.map(({ paint, parts }) => `${paintKey(paint)}:${parts}`).join(" ")}`;
  const latest = useRef(mix);
  useEffect(() => {
    latest.current = mix;
  }, [mix]);
  useEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d");
    if (!seen || !element || !context) return;
    const drawn = drawnMix(latest.current, paper);
    const density = Math.min(2, window.devicePixelRatio || 1);
    const widthPx = Math.round(width * density);
    const heightPx = Math.round(height * density);
    element.width = widthPx;
    element.height = heightPx;
    const pixels = washPixels(drawn.colours, {
      widthPx,
      heightPx,
      from,
      to,
      spread: drawn.spread,
      rimGain: drawn.rimGain,
      grainPx: GRAIN_PX * density,
      seed: seedOf(key),
    });
    context.putImageData(new ImageData(pixels, widthPx, heightPx), 0, 0);
    setMapped(drawn.mapped);
  }, [seen, key, paper, width, height, from, to]);
  const title = mapped ? `${label}. Purer than this screen can show in places.` : label;
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={title}
      title={title}
      style={{ width, height, maxWidth: "100%" }}
      className={className}
    />
  );
}
