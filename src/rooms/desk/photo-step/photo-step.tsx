"use client";

import { Compare } from "./compare";
import { ExchangePhoto } from "./exchange";
import { Sheet } from "./sheet";
import { ValueShares } from "./value-shares";
import { White } from "./white";

/** The first step: which part of the photo, in what light, and what one sees in it. */
export function PhotoStep() {
  return (
    <section aria-label="Photo step" className="space-y-5 p-6 pt-4">
      <div>
        <h2 className="name-face text-2xl">Look before you mix</h2>
        <p className="quiet mt-1 leading-snug">
          Lay the sheet over the photo, set its white, then look: keys 1 to 6 show values, hidden colour, warm and cool.
        </p>
      </div>
      <Sheet />
      <hr className="border-(--hairline)" />
      <White />
      <hr className="border-(--hairline)" />
      <ValueShares />
      <hr className="border-(--hairline)" />
      <Compare />
      <hr className="border-(--hairline)" />
      <ExchangePhoto />
    </section>
  );
}
