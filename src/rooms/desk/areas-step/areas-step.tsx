"use client";

import { describeColour, screenColourOfLab } from "@/core/colour";
import { FOCAL_WEIGHT, type PaintingArea } from "@/model/painting";
import { coloursOf, type AreaColour } from "@/model/washes";
import { useDesk, useDeskStore } from "../desk-store";
import { sheetOf, useMeasured, usePhoto } from "../photo-study";
import { useEdits } from "../edits-context";
import { useTargets } from "../targets";
import { Propose } from "./propose";
import { Relations } from "./relations";
import { ValueMapping } from "./value-mapping";
import { WishChoice } from "./wish-choice";

const share = (x: number): string => (x >= 0.095 ? `${Math.round(100 * x)} %` : `${(100 * x).toFixed(1)} %`);

function ShapeRow({ area, number, sheetCm2 }: { area: PaintingArea; number: number; sheetCm2: number }) {
  const select = useDesk((s) => s.select);
  const targets = useTargets();
  const laid = coloursOf(area).filter(({ drop }) => !drop);
  const measured = useMeasured()?.areas.find(({ label }) => label === area.region);
  const plain = [
    area.wash.kind === "flat" ? null : area.wash.kind,
    area.plane,
    area.light === "cast" ? "cast shadow" : area.light === "shade" ? "in shade" : area.light,
    area.weight === FOCAL_WEIGHT ? "focal point" : null,
  ].filter(Boolean);
  return (
    <li className="border-t border-(--hairline)">
      <button
        type="button"
        className="flex w-full cursor-pointer items-center gap-3 px-6 py-1 text-left hover:bg-base-200"
        onClick={() => select(area.id)}
      >
        <span className="quiet w-4 shrink-0 text-right">{number}</span>
        <span aria-hidden className="flex h-8 w-16 shrink-0">
          {[(one: AreaColour) => one.lab, (one: AreaColour) => targets.get(one.id) ?? one.lab].map((labOf, i) => (
            <span key={i} className="flex flex-1 flex-col">
              {laid.map((one) => (
                <span
                  key={one.id}
                  style={{ background: screenColourOfLab(labOf(one)).hex, flexGrow: Math.max(0.1, one.share) }}
                />
              ))}
            </span>
          ))}
        </span>
        <span className="min-w-0 flex-1">
          <span className="name-face block truncate text-[1.05rem] leading-tight">{area.name}</span>
          <span className="quiet block truncate text-[0.87rem] leading-tight">
            photo value {describeColour(area.lab).value.toFixed(1)}
            {plain.length > 0 && `, ${plain.join(", ")}`}
          </span>
        </span>
        <span className="shrink-0 text-right text-[0.87rem] leading-tight">
          {measured ? (
            <>
              {share(measured.share)}
              <br />
              <span className="quiet">
                {(measured.share * sheetCm2).toFixed(measured.share * sheetCm2 < 10 ? 1 : 0)} cm²
              </span>
            </>
          ) : (
            <span className="quiet">{area.region === null ? "no shape" : "measuring …"}</span>
          )}
        </span>
      </button>
    </li>
  );
}

/** The second step: the shapes to be painted, what is wanted of their colours, and whether they hold together. */
export function AreasStep() {
  const { size } = usePhoto();
  const areas = useDesk((s) => s.document.areas);
  const study = useDesk((s) => s.document.study);
  const { changeStudy, see } = useDeskStore().getState();
  const seeing = useDesk((s) => s.seeing);
  const edits = useEdits();
  const measured = useMeasured();
  const sheet = sheetOf(study, size);
  const covered = measured ? 1 - measured.uncovered : 0;
  return (
    <section aria-label="Areas step" className="pt-4 pb-6">
      <div className="px-6 pb-3">
        <h2 className="name-face text-2xl">Shapes, not things</h2>
        <p className="quiet mt-1 leading-snug">What you would paint in one go is one area, whatever it is made of.</p>
      </div>
      <div className="px-6 pb-4">
        <Propose />
      </div>
      {areas.length > 0 && (
        <>
          <p className="label-line flex px-6 pb-1">
            <span>photo | to paint</span>
            <span className="ml-auto">
              {measured && (covered > 0.995 ? "the whole sheet" : `${share(covered)} of the sheet`)}
            </span>
          </p>
          <ul aria-label="Areas" className="border-b border-(--hairline)">
            {areas.map((area, i) => (
              <ShapeRow key={area.id} area={area} number={i + 1} sheetCm2={sheet.widthCm * sheet.heightCm} />
            ))}
          </ul>
          <div className="space-y-5 px-6 pt-4">
            <div className="flex flex-wrap items-center gap-2">
              <button
                type="button"
                className="btn btn-outline btn-sm"
                aria-pressed={seeing === "squint"}
                onClick={() => see(seeing === "squint" ? "plain" : "squint")}
              >
                {seeing === "squint" ? "Open your eyes" : "Squint: see the washes"}
              </button>
              {areas.some(({ region, wash }) => region !== null && wash.kind === "flat") && (
                <button
                  type="button"
                  className="btn btn-outline btn-sm"
                  disabled={edits.busy}
                  title="Each shape as the photo suggests: flat, graded, varied or layered. One step to undo."
                  onClick={() => void edits.layAll()}
                >
                  {edits.busy ? "Looking …" : "Find the washes of all"}
                </button>
              )}
            </div>
            <section aria-label="Wanted colours" className="space-y-2">
              <h3 className="font-semibold">What do you want of the colours?</h3>
              <WishChoice name="For all areas" wish={study.wish} onWish={(wish) => wish && changeStudy({ wish })} />
            </section>
            <ValueMapping />
            <Relations />
          </div>
        </>
      )}
    </section>
  );
}
