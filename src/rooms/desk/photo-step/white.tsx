"use client";

import { screenColourOfLab } from "@/core/colour";
import { labOfLinear } from "@/core/image";
import { SmoothSlider } from "@/ui/smooth-slider";
import { useDesk, useDeskStore } from "../desk-store";
import { useWhite } from "../photo-study";

/** The photo's white: as it is, or a neutral that the painter picks; before and after side by side. */
export function White() {
  const white = useDesk((s) => s.document.study.white);
  const tool = useDesk((s) => s.tool);
  const { setWhite, setTool } = useDeskStore().getState();
  const { temporal } = useDeskStore();
  const matrix = useWhite();
  const before = white && screenColourOfLab(labOfLinear(white.light)).hex;
  const after = white && screenColourOfLab(labOfLinear(white.light, matrix)).hex;
  return (
    <section aria-label="White" className="space-y-2.5">
      <h3 className="font-semibold">The white</h3>
      <p className="quiet text-[0.9rem] leading-snug">
        A camera guesses the colour of the light. If the photo has a tint that you did not see, pick something that was
        neutral. An evening glow that you want to paint: leave it.
      </p>
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className={`btn btn-sm ${white ? "btn-outline" : "btn-primary"}`}
          aria-pressed={!white}
          onClick={() => setWhite(null)}
        >
          As it is
        </button>
        <button
          type="button"
          className={`btn btn-sm ${tool === "white" || white ? "btn-primary" : "btn-outline"}`}
          aria-pressed={white !== null}
          onClick={() => setTool(tool === "white" ? "sample" : "white")}
        >
          {tool === "white" ? "Click on a neutral …" : white ? "Pick another neutral" : "Pick a neutral"}
        </button>
      </div>
      {white && before && after && (
        <div className="flex items-center gap-4">
          <div className="flex h-11 w-28 shrink-0" role="img" aria-label="The neutral before and after">
            <span className="flex-1" style={{ background: before }} />
            <span className="flex-1" style={{ background: after }} />
          </div>
          <div className="min-w-0 flex-1">
            <span className="label-line flex justify-between">
              <span>before | after</span>
              <span>{Math.round(100 * white.degree)} % corrected</span>
            </span>
            <SmoothSlider
              history={temporal}
              className="range range-xs w-full [--range-fill:0]"
              min={0}
              max={1}
              step={0.01}
              value={white.degree}
              aria-label="How far the white is corrected"
              aria-valuetext={`${Math.round(100 * white.degree)} percent`}
              onSlide={(degree) => setWhite({ ...white, degree })}
            />
          </div>
        </div>
      )}
    </section>
  );
}
