"use client";

import { useEffect, useRef, useState } from "react";
import type { Paper } from "@/core/optics";
import { Strip } from "@/ui/strip";
import { listed } from "@/model/text";
import { KeepInLogbook } from "@/ui/keep-in-logbook";
import { useLogEntries } from "../keep";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { useLaid, useLookedAt, useReach } from "../reach";
import { AgreementChart } from "./agreement-chart";

const RING_PX = 300;
const MOST_IN_RING = 5;

/** The paints let run together around a wet ring, on the painting's paper. */
function Ring({ paints }: { paints: readonly KnownPaint[] }) {
  const [throwAgain, setThrow] = useState(1);
  const laid = useLaid(paints.map(({ id }) => id));
  const { answer, fault } = useReach("ring", laid && { laid, sidePx: 2 * RING_PX, seed: throwAgain });
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (!answer || !canvas.current) return;
    canvas.current.width = canvas.current.height = answer.sidePx;
    canvas.current.getContext("2d")?.putImageData(new ImageData(answer.pixels, answer.sidePx, answer.sidePx), 0, 0);
  }, [answer]);
  if (fault)
    return (
      <p role="alert" className="text-error">
        {fault}
      </p>
    );
  return (
    <figure className="text-center">
      <div className="grid place-items-center bg-white py-2">
        <canvas
          ref={canvas}
          role="img"
          data-ready={answer ? "" : undefined}
          aria-label={`Ring of ${listed(paints.map(({ name }) => name))}, run together`}
          style={{ width: RING_PX, height: RING_PX }}
        />
      </div>
      <figcaption className="label-line mt-1 flex items-center gap-2 text-left leading-snug">
        <span className="flex-1">
          Clockwise from the top: {paints.map(({ name }) => name).join(", ")}. Dry, on this paper; heavy pigments
          settle, light ones run on.
        </span>
        <button type="button" className="btn btn-outline btn-xs" onClick={() => setThrow(throwAgain + 1)}>
          Once more
        </button>
      </figcaption>
    </figure>
  );
}

/** Parts of the first paint to the second in the mixing chart. */
const RATIOS: readonly (readonly [number, number])[] = [
  [6, 1],
  [2, 1],
  [1, 1],
  [1, 2],
  [1, 6],
];

/** All pairs in five ratios, each a strip from strong to thin. */
function MixingChart({ paints, paper }: { paints: readonly KnownPaint[]; paper: Paper }) {
  return (
    <table className="w-full table-fixed text-[0.87rem]" aria-label="Pairs in five ratios">
      <thead>
        <tr>
          <th scope="col" className="w-[7.5rem] text-left font-normal">
            first and second
          </th>
          {RATIOS.map(([a, b]) => (
            <th key={`${a}:${b}`} scope="col" className="font-normal">
              {a} : {b}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {paints.flatMap((first, i) =>
          paints.slice(i + 1).map((second) => (
            <tr key={`${first.id} ${second.id}`} className="border-t border-(--hairline)">
              <th
                scope="row"
                className="name-face truncate py-1 pr-1 text-left leading-tight font-normal"
                title={`${first.name} and ${second.name}`}
              >
                <span className="block truncate">{first.name}</span>
                <span className="block truncate">{second.name}</span>
              </th>
              {RATIOS.map(([a, b]) => (
                <td key={`${a}:${b}`} className="px-0.5">
                  <Strip
                    mix={[
                      { paint: first.model, parts: a },
                      { paint: second.model, parts: b },
                    ]}
                    paper={paper}
                    width={48}
                    height={30}
                    from={0.6}
                    to={0.06}
                    label={`${a} ${first.name} to ${b} ${second.name}`}
                  />
                </td>
              ))}
            </tr>
          )),
        )}
      </tbody>
    </table>
  );
}

/** A painter's first look at a palette: the wet ring and the chart of pairs. */
export function WashView() {
  const paints = usePaints();
  const paper = usePaper();
  const entryOf = useLogEntries();
  const own = useLookedAt().flatMap((id) => paints.get(id) ?? []);
  const [left, setLeft] = useState<readonly string[]>([]);
  const inRing = own.filter(({ id }) => !left.includes(id)).slice(0, MOST_IN_RING);
  if (own.length === 0) return <p>The tray is empty: there is nothing to wet yet.</p>;
  const toggle = (id: string): void =>
    setLeft(
      inRing.some((paint) => paint.id === id)
        ? [...left, id]
        : // One more comes in: of six the last of the others makes room.
          [
            ...left.filter((one) => one !== id),
            ...(inRing.length >= MOST_IN_RING ? [inRing[inRing.length - 1]!.id] : []),
            ...own
              .filter((paint) => !inRing.includes(paint) && paint.id !== id && !left.includes(paint.id))
              .map((paint) => paint.id),
          ],
    );
  return (
    <div className="space-y-4">
      <section aria-label="Ring test" className="space-y-2">
        <div className="flex flex-wrap gap-x-3 gap-y-1 text-[0.9rem]">
          {own.map(({ id, name }) => (
            <label key={id} className="flex cursor-pointer items-center gap-1">
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                checked={inRing.some((paint) => paint.id === id)}
                disabled={inRing.length === 1 && inRing[0]!.id === id}
                onChange={() => toggle(id)}
              />
              {name}
            </label>
          ))}
        </div>
        <Ring paints={inRing} />
        <KeepInLogbook
          key={inRing.map(({ id }) => id).join()}
          words="Keep this ring in the logbook"
          make={() =>
            entryOf("ring", `Ring of ${inRing.map(({ name }) => name).join(", ")}`, [], {
              paintIds: inRing.map(({ id }) => id),
            })
          }
        />
      </section>
      {own.length > 1 && <AgreementChart paints={own.slice(0, 10)} paper={paper} />}
      <section aria-label="Mixing chart">
        <h3 className="font-semibold">Every two of them</h3>
        {own.length < 2 ? (
          <p className="label-line">One paint alone mixes with water only.</p>
        ) : (
          <MixingChart paints={own.slice(0, 10)} paper={paper} />
        )}
        {own.length > 10 && <p className="label-line">The first ten of the tray.</p>}
      </section>
    </div>
  );
}
