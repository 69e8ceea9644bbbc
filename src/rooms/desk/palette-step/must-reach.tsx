"use client";

import { listed } from "@/model/text";
import { useState } from "react";
import { useDesk } from "../desk-store";

/** Areas that a palette must reach within so much, or it isn't offered at all. */
export function MustReach() {
  const areas = useDesk((s) => s.document.areas);
  const { areaIds, within } = useDesk((s) => s.document.rules.reach);
  const changeRules = useDesk((s) => s.changeRules);
  const [open, setOpen] = useState(false);
  const asked = areas.filter(({ id }) => areaIds.includes(id));
  if (areas.length === 0) return null;
  return (
    <section aria-label="Must be reached" className="text-[0.9rem]">
      <button
        type="button"
        aria-expanded={open}
        className="cursor-pointer text-left underline-offset-2 hover:underline"
        onClick={() => setOpen(!open)}
      >
        {asked.length === 0 ? (
          <span className="quiet">No area must be reached at any price …</span>
        ) : (
          <>
            Must be reached within {within}: {listed(asked.map(({ name }) => name))} …
          </>
        )}
      </button>
      {open && (
        <div className="mt-1.5 space-y-1.5">
          <label className="flex items-center gap-2">
            within
            <select
              className="select select-sm w-40 text-[0.92rem]"
              value={within}
              onChange={(event) => changeRules({ reach: { areaIds, within: Number(event.target.value) } })}
            >
              {[1.5, 2, 3, 4, 6].map((most) => (
                <option key={most} value={most}>
                  {most} dE00{most === 1.5 ? ", as wanted" : most === 4 ? ", fairly" : ""}
                </option>
              ))}
            </select>
          </label>
          <div className="grid grid-cols-2 gap-x-3">
            {areas.map(({ id, name }) => (
              <label key={id} className="flex min-w-0 cursor-pointer items-center gap-1.5">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs"
                  checked={areaIds.includes(id)}
                  onChange={() =>
                    changeRules({
                      reach: {
                        within,
                        areaIds: areaIds.includes(id) ? areaIds.filter((one) => one !== id) : [...areaIds, id],
                      },
                    })
                  }
                />
                <span className="truncate">{name}</span>
              </label>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}
