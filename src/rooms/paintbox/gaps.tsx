"use client";

import { memo, useDeferredValue } from "react";
import { paintModel, farthestPointSample, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { findingGaps } from "@/core/palette";
import { pigmentById } from "@/core/pigments";
import { newPaint } from "@/model/paintbox";
import { Strip } from "@/ui/strip";
import { useInSlices } from "@/ui/in-slices";
import { usePaintbox } from "./paintbox-store";

const paper = PAPERS[0];
/** Of very many paints, the most different tell as much. */
const MOST = 80;
const SHOWN = 6;

const gapsOf = (models: readonly PaintModel[]) => findingGaps(farthestPointSample(models, MOST, paper), paper);

/** What the box leaves dull, and the pigment that would open it; one press wishes for it. */
export const Gaps = memo(function Gaps({ models }: { models: readonly PaintModel[] }) {
  const add = usePaintbox((s) => s.add);
  const later = useDeferredValue(models);
  const found = useInSlices(later, gapsOf);
  if (!found || found.length === 0 || models.length === 0) return null;
  const gaps = found.slice(0, SHOWN);
  return (
    <section aria-label="Gaps" className="print:hidden mt-8 max-w-3xl border-t border-(--hairline) pt-4">
      <h2 className="name-face text-2xl">Gaps</h2>
      <p className="quiet mb-2">Where these paints stay dull, and the lasting pigment that would bring most.</p>
      <ul className="space-y-1">
        {gaps.map(({ words, reached, possible, pigmentId }) => {
          const { code, name } = pigmentById(pigmentId);
          const pigments = [{ pigmentId, share: 1 }];
          return (
            <li key={pigmentId} className="flex items-center gap-3">
              <span className="w-36">{words}</span>
              <Strip
                mix={[{ paint: paintModel(pigmentId, pigments), parts: 1 }]}
                paper={paper}
                width={110}
                height={24}
                label={name}
              />
              <span className="name-face w-56 truncate">
                {name} <span className="label-line">{code}</span>
              </span>
              <span className="quiet">
                chroma {possible.toFixed(0)} instead of {reached.toFixed(0)}
              </span>
              <button
                type="button"
                className="btn btn-xs ml-auto"
                onClick={() =>
                  add(
                    newPaint({
                      id: crypto.randomUUID(),
                      name: name.charAt(0).toUpperCase() + name.slice(1),
                      pigments,
                      status: "wished for",
                    }),
                  )
                }
              >
                wish for it
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
});
