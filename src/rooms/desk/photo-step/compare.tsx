"use client";

import { Pin, X } from "lucide-react";
import { describeColour, screenColourOfLab, type Lab } from "@/core/colour";
import { comparePoints, samplePhoto, type PixelArray, type Point, type WhiteMatrix } from "@/core/image";
import { LIMITS } from "@/model/limits";
import { useDesk, useDeskStore } from "../desk-store";
import { usePhoto, useWhite } from "../photo-study";

/** Differences below these are called alike: value steps, temperature, chroma. From memory. */
const ALIKE = { value: 0.15, temperature: 2, chroma: 2 } as const;

function colourAt(pixels: PixelArray, point: Point, radius: number, white: WhiteMatrix): Lab {
  return samplePhoto(pixels, point.x * pixels.width, point.y * pixels.height, radius * pixels.width, white).lab;
}

/** What is to be said about point a against point b. */
export function comparisonWords(a: Lab, b: Lab): readonly string[] {
  const { lighter, warmer, purer } = comparePoints(a, b);
  return [
    Math.abs(lighter) < ALIKE.value
      ? "a and b are equally dark"
      : `${lighter < 0 ? "a" : "b"} is darker, by ${Math.abs(lighter).toFixed(1)} value steps`,
    Math.abs(warmer) < ALIKE.temperature
      ? "equally warm"
      : `${warmer > 0 ? "a" : "b"} is warmer, by ${Math.abs(warmer).toFixed(0)}`,
    Math.abs(purer) < ALIKE.chroma
      ? "equally pure"
      : `${purer > 0 ? "a" : "b"} is purer, by ${Math.abs(purer).toFixed(0)} chroma`,
  ];
}

function PairRow({
  name,
  a,
  b,
  onPin,
  onRemove,
}: {
  name: string;
  a: Lab;
  b: Lab;
  onPin?: () => void;
  onRemove: () => void;
}) {
  return (
    <li className="flex items-center gap-3 border-t border-(--hairline) py-2">
      <span className="flex h-12 w-24 shrink-0" aria-hidden>
        {[a, b].map((lab, i) => (
          <span key={i} className="flex-1" style={{ background: screenColourOfLab(lab).hex }} />
        ))}
      </span>
      <div className="min-w-0 flex-1 text-[0.92rem] leading-snug">
        <p className="label-line">
          {name ? `pair ${name}` : "a | b"} · value {describeColour(a).value.toFixed(1)} |{" "}
          {describeColour(b).value.toFixed(1)}
        </p>
        <p>{comparisonWords(a, b).join("; ")}.</p>
      </div>
      {onPin && (
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label="Pin this pair"
          title="Keep this pair with the painting"
          onClick={onPin}
        >
          <Pin size={15} />
        </button>
      )}
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={name ? `Remove pair ${name}` : "Clear the pair"}
        onClick={onRemove}
      >
        <X size={15} />
      </button>
    </li>
  );
}

/** Two points of the photo against each other: darker, warmer, purer; pairs worth keeping are pinned. */
export function Compare() {
  const { pixels } = usePhoto();
  const white = useWhite();
  const radius = useDesk((s) => s.radius);
  const pair = useDesk((s) => s.pair);
  const pinned = useDesk((s) => s.document.study.pairs);
  const tool = useDesk((s) => s.tool);
  const { setTool, clearPair, changeStudy } = useDeskStore().getState();
  if (!pixels) return null;
  const lab = (point: Point): Lab => colourAt(pixels, point, radius, white);
  const b = pair?.b ?? null;
  return (
    <section aria-label="Compare" className="space-y-2.5">
      <h3 className="font-semibold">Is this darker than that?</h3>
      <div className="flex items-center gap-3">
        <button
          type="button"
          className={`btn btn-sm ${tool === "compare" ? "btn-primary" : "btn-outline"}`}
          aria-pressed={tool === "compare"}
          onClick={() => setTool(tool === "compare" ? "sample" : "compare")}
        >
          {tool === "compare" ? "Done" : "Compare two points"}
        </button>
        <p role="status" className="quiet text-[0.9rem]">
          {tool !== "compare" ? "" : !pair || b ? "Click the first point." : "Now the second."}
        </p>
      </div>
      {((pair && b) || pinned.length > 0) && (
        <ul aria-label="Pairs" className="border-b border-(--hairline)">
          {pair && b && (
            <PairRow
              name=""
              a={lab(pair.a)}
              b={lab(b)}
              onRemove={clearPair}
              onPin={
                pinned.length >= LIMITS.pairs
                  ? undefined
                  : () => {
                      changeStudy({ pairs: [...pinned, { id: crypto.randomUUID(), a: pair.a, b }] });
                      clearPair();
                    }
              }
            />
          )}
          {pinned.map((one, i) => (
            <PairRow
              key={one.id}
              name={String(i + 1)}
              a={lab(one.a)}
              b={lab(one.b)}
              onRemove={() => changeStudy({ pairs: pinned.filter(({ id }) => id !== one.id) })}
            />
          ))}
        </ul>
      )}
    </section>
  );
}
