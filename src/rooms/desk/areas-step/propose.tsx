"use client";

import { useEffect, useRef, useState } from "react";
import { counted } from "@/model/text";
import { useEdits } from "../edits-context";
import { LIMITS } from "@/model/limits";
import { useDesk, useDeskStore } from "../desk-store";
import { useAreaMap, useLook, useMeasured, usePhoto } from "../photo-study";

const FEWEST = 2;
const MOST = LIMITS.areas;

/** Where the slider stands before the photo has been looked at. */
const FIRST_SHOWN = 8;
/** Most numbers of shapes that are offered beside the slider. */
const MOST_STABLE = 5;

/** The slider's place, 0 to 1, as a number of shapes: even steps of "half as many again". */
export const shapesAt = (place: number): number => Math.round(FEWEST * (MOST / FEWEST) ** place);
const placeOf = (shapes: number): number => Math.log(shapes / FEWEST) / Math.log(MOST / FEWEST);

/** Shapes that the program sees in what is no area yet: from few big ones to many small ones. */
export function Propose() {
  const { study } = usePhoto();
  const map = useAreaMap();
  const look = useLook();
  const measured = useMeasured();
  const proposal = useDesk((s) => s.proposal);
  const propose = useDesk((s) => s.propose);
  const tool = useDesk((s) => s.tool);
  const { setLasso, setTool } = useDeskStore().getState();
  const drawn = useDesk((s) => s.document.areas.filter(({ region }) => region !== null).length);
  const hasRegions = drawn > 0;
  const edits = useEdits();
  // Null: as many as the photo suggests.
  const [asked, setAsked] = useState<number | null>(null);
  const [wanted, setWanted] = useState(!hasRegions);
  const [words, setWords] = useState("");
  const question = useRef(0);

  const accepting = edits.busy;
  // The slider counts all shapes: those that are areas already need no proposal.
  const rest = asked === null ? null : Math.max(1, asked - drawn);
  const shapes = asked ?? (proposal ? proposal.shapes + drawn : FIRST_SHOWN);
  const stable = (proposal?.stable ?? [])
    .slice(0, MOST_STABLE)
    .map((count) => count + drawn)
    .sort((a, b) => a - b);
  useEffect(() => {
    if (!study || !wanted || accepting) return;
    const mine = ++question.current;
    study.ask("propose", look, map.labels, rest).then(
      ({ labels, shapes: found, stable: counts, milliseconds }) => {
        if (mine !== question.current) return;
        propose(found > 0 ? { map: { ...map, labels }, shapes: found, stable: counts } : null);
        setWords(
          found > 0
            ? `${found} ${found === 1 ? "shape" : "shapes"}${milliseconds > 80 ? `, found in ${(milliseconds / 1000).toFixed(1)} s` : ""}`
            : "Every part of the sheet has an area.",
        );
      },
      (error: Error) => mine === question.current && setWords(error.message),
    );
  }, [study, wanted, accepting, look, map, rest, propose]);

  const open = (measured?.uncovered ?? 1) > 0.002;
  return (
    <section aria-label="Proposed shapes" className="space-y-2.5">
      {open && (
        <>
          <label className="block">
            <span className="flex justify-between text-[0.87rem]">
              <span>few big shapes</span>
              <span>many small ones</span>
            </span>
            <input
              type="range"
              className="range range-xs w-full [--range-fill:0]"
              min={0}
              max={1}
              step={0.005}
              value={placeOf(shapes)}
              aria-label="How many shapes"
              aria-valuetext={`about ${counted(shapes, "shape")}`}
              onChange={(event) => {
                setAsked(shapesAt(Number(event.target.value)));
                setWanted(true);
              }}
            />
          </label>
          {stable.length > 0 && (
            <div
              className="flex flex-wrap items-center gap-x-1.5"
              role="group"
              aria-label="Where the photo divides plainly"
            >
              <span className="quiet text-[0.9rem]">divides plainly into</span>
              {stable.map((count) => (
                <button
                  key={count}
                  type="button"
                  className={`btn btn-sm min-w-9 px-2 ${count === shapes ? "btn-neutral" : "btn-ghost"}`}
                  aria-pressed={count === shapes}
                  aria-label={counted(count, "shape")}
                  onClick={() => {
                    setAsked(count);
                    setWanted(true);
                  }}
                >
                  {count}
                </button>
              ))}
            </div>
          )}
          <p role="status" className="quiet min-h-[1.4em] text-[0.9rem]">
            {proposal ? words : wanted ? words || "Looking for shapes …" : ""}
          </p>
        </>
      )}
      <div className="flex flex-wrap items-center gap-2">
        {proposal && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={edits.busy}
            onClick={() => void edits.accept("all").then(() => setWanted(false))}
          >
            {edits.busy ? "Measuring …" : `Take all ${proposal.shapes} as areas`}
          </button>
        )}
        {!proposal && !wanted && open && (
          <button type="button" className="btn btn-primary btn-sm" onClick={() => setWanted(true)}>
            Propose shapes
          </button>
        )}
        <button
          type="button"
          className={`btn btn-sm ${tool === "lasso" ? "btn-neutral" : "btn-outline"}`}
          aria-pressed={tool === "lasso"}
          onClick={() => (tool === "lasso" ? setTool("select") : setLasso("new"))}
        >
          {tool === "lasso" ? "Done drawing" : "Draw one yourself"}
        </button>
        {hasRegions && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            title="Wipes all shapes; names, colours and recipes stay"
            onClick={() => {
              edits.startOver();
              setWanted(true);
            }}
          >
            Start over
          </button>
        )}
      </div>
      {proposal && (
        <p className="quiet text-[0.87rem] leading-snug">Or click a dashed shape on the photo to take just that one.</p>
      )}
      {edits.words && (
        <p role="alert" className="text-[0.92rem] text-warning">
          {edits.words}
        </p>
      )}
    </section>
  );
}
