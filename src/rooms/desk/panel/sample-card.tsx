"use client";

import { useEffect, useRef, useState, type FormEvent } from "react";
import { describeColour, screenColourOfLab } from "@/core/colour";
import { LIMITS } from "@/model/limits";
import { newArea, paintingArea } from "@/model/painting";
import type { TakenSample } from "../desk-state";
import { useDesk } from "../desk-store";
import { ColourFacts } from "./colour-facts";
import { capital } from "@/model/text";

const nameRule = paintingArea.shape.name;

/** A colour just taken from the photo: what it is, and the name that makes it an area. */
export function SampleCard({ taken }: { taken: TakenSample }) {
  const suggestion = capital(describeColour(taken.lab).hueName);
  const [name, setName] = useState(suggestion);
  const [fault, setFault] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const addArea = useDesk((s) => s.addArea);
  const take = useDesk((s) => s.take);
  const count = useDesk((s) => s.document.areas.length);

  useEffect(() => {
    input.current?.focus();
    input.current?.select();
  }, []);

  const keep = (event: FormEvent): void => {
    event.preventDefault();
    const checked = nameRule.safeParse(name);
    if (!checked.success) setFault(checked.error.issues[0]!.message);
    else if (count >= LIMITS.areas) setFault(`A painting holds at most ${LIMITS.areas} areas. Remove one first.`);
    else addArea(newArea({ id: crypto.randomUUID(), name: checked.data, sample: taken.sample, lab: taken.lab }));
  };

  return (
    <section aria-label="Colour taken from the photo" className="space-y-4 p-6">
      <h2 className="name-face text-2xl">A colour from the photo</h2>
      <div
        className="h-28 w-full"
        style={{ background: screenColourOfLab(taken.lab).hex }}
        role="img"
        aria-label={describeColour(taken.lab).hueName}
      />
      <ColourFacts lab={taken.lab} />
      {taken.untrusted > 0.2 && (
        <p className="text-warning">
          {Math.round(taken.untrusted * 100)} % of this patch is burnt out or blocked in the photo, so its colour
          can&apos;t be trusted.
        </p>
      )}
      <form onSubmit={keep} className="space-y-2">
        <label className="block" htmlFor="area-name">
          What do you paint with it?
        </label>
        <input
          id="area-name"
          ref={input}
          className="input name-face w-full text-lg"
          value={name}
          autoComplete="off"
          aria-invalid={fault !== null}
          aria-describedby={fault ? "area-name-fault" : undefined}
          onChange={(event) => {
            setName(event.target.value);
            setFault(null);
          }}
          onKeyDown={(event) => event.key === "Escape" && take(null)}
        />
        {fault && (
          <p id="area-name-fault" role="alert" className="text-error">
            {fault}
          </p>
        )}
        <div className="flex gap-2 pt-1">
          <button type="submit" className="btn btn-primary">
            Keep as area
          </button>
          <button type="button" className="btn btn-ghost" onClick={() => take(null)}>
            Discard
          </button>
        </div>
      </form>
    </section>
  );
}
