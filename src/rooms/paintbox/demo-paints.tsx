"use client";

import { MIXABLE } from "@/model/paintbox";
import { usePaintbox } from "./paintbox-store";

/** Says which paints are the demo's, and puts them away or brings them back in one step. */
export function DemoPaints() {
  const paints = usePaintbox((s) => s.document.paints);
  const changeMany = usePaintbox((s) => s.changeMany);
  const demo = paints.filter((paint) => paint.demo);
  const here = demo.filter(({ status }) => MIXABLE.has(status));
  const away = demo.filter(({ status }) => status === "put away");
  const own = paints.length - demo.length;
  if (here.length + away.length === 0) return null;
  const set = (list: typeof demo, status: "owned" | "put away"): void =>
    changeMany(new Set(list.map(({ id }) => id)), { status });
  return (
    <p
      aria-label="The demo's paints"
      role="note"
      className="quiet mb-4 flex flex-wrap items-center gap-x-3 gap-y-1 print:hidden"
    >
      {here.length > 0 ? (
        <>
          <span>
            {own === 0 ? `All ${here.length} are the demo's.` : `${here.length} of these are the demo's.`} Palettes and
            mixes use them as if they were yours.
          </span>
          <button type="button" className="btn btn-sm" onClick={() => set(here, "put away")}>
            Put the demo&apos;s paints away
          </button>
        </>
      ) : (
        <>
          <span>
            The demo&apos;s {away.length} paints are put away, and its painting with them: nothing is mixed from them.
          </span>
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => set(away, "owned")}>
            Bring them back
          </button>
        </>
      )}
    </p>
  );
}
