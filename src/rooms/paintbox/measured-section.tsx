"use client";

import Link from "next/link";
import { useState } from "react";
import { paintChange, WASH_NAMES, type PaintChange } from "@/core/calibration";
import { writeCgats } from "@/core/formats";
import { paperById } from "@/core/optics";
import type { Measurement } from "@/model/measurement";
import type { PaintEntry } from "@/model/paintbox";
import { offerFile } from "@/ui/offer-file";
import { PatchPairs } from "@/ui/patch-pairs";
import { Strip } from "@/ui/strip";
import { boxModel, useMeasurements } from "./measured";

const VERDICTS: Readonly<Record<PaintChange["verdict"], string>> = {
  "the same": "the same paint, as far as both can tell",
  faded: "paler and greyer: it has faded, if the same swatch was measured",
  changed: "another colour: another formula or batch, or another paper",
};

const dayWords = (on: string): string =>
  new Date(`${on}T12:00:00`).toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" });

function exportCgats(paint: PaintEntry, { patches, on, way, paperId }: Measurement): void {
  const colours = patches.map(({ what, swatch, lab, reflectance }) => ({
    name: what === "wash" ? `${what} ${swatch + 1} ${WASH_NAMES[swatch] ?? ""}`.trim() : what,
    lab,
    reflectance,
  }));
  offerFile(
    `${paint.name.replace(/[^\p{L}\p{N}]+/gu, "-")}-${on}.txt`,
    "text/plain",
    writeCgats(colours, { DESCRIPTOR: `${paint.name}, ${way}`, CREATED: on, SUBSTRATE: paperById(paperId).name }),
  );
}

/** What a measurement says against the one before it. */
function Compared({ paint, one, earlier }: { paint: PaintEntry; one: Measurement; earlier: Measurement }) {
  const { verdict, dE00, at } = paintChange(boxModel(paint, earlier), boxModel(paint, one), paperById(one.paperId));
  const middle = at[1]!;
  return (
    <p className="quiet text-[0.9rem] leading-snug">
      Against {dayWords(earlier.on)}: {VERDICTS[verdict]} (up to dE00 {dE00.toFixed(1)}
      {middle.words.length > 0 ? `, in a wash ${middle.words.join(", ")}` : ""}).
    </p>
  );
}

/**
 * A paint's measurements over time: the newest that is not set aside counts; each is held against the one before it.
 */
export function MeasuredSection({ paint }: { paint: PaintEntry }) {
  const { list, setCounts } = useMeasurements();
  const [fault, setFault] = useState<string | null>(null);
  const own = list.filter(({ paintId }) => paintId === paint.id);
  const counting = own.find(({ counts }) => counts);
  const toggle = async ({ id, counts }: Measurement): Promise<void> => {
    setFault(null);
    try {
      const response = await fetch(`/api/measurements/${id}`, {
        method: "PATCH",
        keepalive: true,
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ counts: !counts }),
      });
      if (!response.ok) throw new Error(String(response.status));
      setCounts(id, !counts);
    } catch {
      setFault("That could not be kept. Is Abendrot still running? Try again.");
    }
  };
  return (
    <section aria-label="Measured" className="space-y-2">
      <div className="flex items-baseline gap-2">
        <h3 className="font-semibold">Measured</h3>
        {own.length === 0 && <span className="quiet">not yet: predictions stand on typical values</span>}
        <Link className="btn btn-xs ml-auto" href={`/measure?paint=${paint.id}`}>
          {own.length > 0 ? "Measure again" : "Measure it"}
        </Link>
      </div>
      <ol className="space-y-3">
        {own.map((one, i) => (
          <li
            key={one.id}
            className={`space-y-1 border-l-2 pl-3 ${one === counting ? "border-primary" : "border-(--hairline)"}`}
          >
            <div className="flex items-center gap-2">
              {one.photoId && (
                <img
                  src={`/api/photos/${one.photoId}?copy=small`}
                  alt={`Card photographed for ${dayWords(one.on)}`}
                  className="h-10 w-8 rounded-sm object-cover"
                />
              )}
              <span className="flex-1 leading-tight">
                {dayWords(one.on)}{" "}
                <span className="quiet">
                  by {one.way}
                  {one === counting ? "; counts" : one.counts ? "" : "; set aside"}
                </span>
                <br />
                <span className="label-line">
                  give or take {one.fit.miss.toFixed(1)}, on {paperById(one.paperId).name}
                </span>
              </span>
              <button type="button" className="btn btn-ghost btn-xs" onClick={() => void toggle(one)}>
                {one.counts ? "set aside" : "let it count"}
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-xs"
                title="CGATS text with Lab and, where measured, spectra"
                onClick={() => exportCgats(paint, one)}
              >
                CGATS
              </button>
            </div>
            <Strip
              mix={[{ paint: boxModel(paint, one), parts: 1 }]}
              paper={paperById(one.paperId)}
              width={360}
              height={24}
              label={`${paint.name} as measured on ${dayWords(one.on)}`}
            />
            <PatchPairs patches={one.patches} fitted={one.fit.fitted} />
            {own[i + 1] && <Compared paint={paint} one={one} earlier={own[i + 1]!} />}
          </li>
        ))}
      </ol>
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
    </section>
  );
}
