"use client";

import { RESERVES } from "@/core/planning";
import { Caution } from "@/ui/caution";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk } from "../desk-store";
import { usePlan } from "./use-plan";
import { RESERVE_WORDS } from "./words";

/** Lights that stay: what must not be covered, and how it is kept. */
export function LightsPanel() {
  const { lights } = usePlan();
  const areas = useDesk((s) => s.document.areas);
  const plan = useDesk((s) => s.document.plan);
  const changePlan = useDesk((s) => s.changePlan);
  if (lights.length === 0) return null;
  return (
    <section aria-label="Lights that stay" className="border-t border-(--hairline) pt-3">
      <h3 className="font-semibold">Lights that stay</h3>
      <ul>
        {lights.map(({ areaId, how, bare }) => {
          const name = areas.find(({ id }) => id === areaId)?.name ?? "";
          return (
            <li key={areaId} className="flex flex-wrap items-center gap-x-3 py-1">
              <span className="min-w-0 flex-1 truncate">
                <span className="name-face text-[1.05rem]">{name}</span>
                {bare && <span className="quiet text-[0.9rem]"> bare paper: no wash is laid there</span>}
              </span>
              <ViewChoice
                label={`How ${name} is kept`}
                views={RESERVES.map((view) => ({ view, ...RESERVE_WORDS[view] }))}
                shown={how}
                onShow={(chosen) =>
                  changePlan({
                    reserved: [...plan.reserved.filter((one) => one.areaId !== areaId), { areaId, how: chosen }],
                  })
                }
              />
            </li>
          );
        })}
      </ul>
      {lights.some(({ how }) => how === "mask") && <Caution of="masking" />}
    </section>
  );
}
