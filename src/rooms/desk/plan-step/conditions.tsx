"use client";

import { CRISP_BY, WETNESSES } from "@/core/planning";
import { HANDS_OF_PAINTERS, SHEET_WEIGHTS_GSM, storedPlan } from "@/model/plan";
import { faultIn } from "@/model/fault";
import { Disclosure } from "@/ui/disclosure";
import { TypedText } from "@/ui/typed-text";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk, useDeskStore } from "../desk-store";
import { CRISP_WORDS, WETNESS_WORDS } from "./words";

const HAND_NAMES = { right: "right hand", left: "left hand" } as const;

/** A number that is typed: what is no number, or out of reason, is told beside it. */
function NumberField({
  label,
  unit,
  value,
  faultOf,
  onNumber,
  onLeave,
}: {
  label: string;
  unit: string;
  value: number;
  faultOf: (number: number) => string | null;
  onNumber: (number: number) => void;
  onLeave: () => void;
}) {
  const numberOf = (text: string): number => Number(text.trim().replace(",", "."));
  return (
    <div className="flex items-start gap-1.5">
      <TypedText
        label={label}
        value={String(value)}
        faultOf={(text) => (text.trim() === "" ? `${label} is a number.` : faultOf(numberOf(text)))}
        onText={(text) => onNumber(numberOf(text))}
        onLeave={onLeave}
        className="w-24"
      />
      <span className="quiet pt-7">{unit}</span>
    </div>
  );
}

/** In which air, on which sheet and how wetly it is painted; with which hand. */
export function ConditionsPanel() {
  const plan = useDesk((s) => s.document.plan);
  const { changePlan, endTyping } = useDeskStore().getState();
  const says = `${plan.temperatureC} °C, ${Math.round(100 * plan.humidity)} % moist, ${plan.weightGsm} g sheet, ${plan.wetness} brush`;
  return (
    <Disclosure label="Conditions" words={says}>
      <div className="space-y-3 pt-1 pb-2">
        <div className="flex flex-wrap items-start gap-5">
          <NumberField
            label="Temperature"
            unit="°C"
            value={plan.temperatureC}
            faultOf={(number) => faultIn(storedPlan.shape.temperatureC, number)}
            onNumber={(temperatureC) => changePlan({ temperatureC }, "temperature")}
            onLeave={endTyping}
          />
          <NumberField
            label="Humidity"
            unit="%"
            value={Number((100 * plan.humidity).toFixed(2))}
            faultOf={(number) => faultIn(storedPlan.shape.humidity, number / 100)}
            onNumber={(percent) => changePlan({ humidity: percent / 100 }, "humidity")}
            onLeave={endTyping}
          />
          <label className="block">
            <span className="label-line block">Sheet</span>
            <select
              className="select w-28"
              value={plan.weightGsm}
              onChange={({ target }) => {
                const weightGsm = SHEET_WEIGHTS_GSM.find((gsm) => String(gsm) === target.value);
                if (weightGsm) changePlan({ weightGsm });
              }}
            >
              {SHEET_WEIGHTS_GSM.map((gsm) => (
                <option key={gsm} value={gsm}>
                  {gsm} g/m²
                </option>
              ))}
            </select>
          </label>
        </div>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
          <ViewChoice
            label="How wetly"
            views={WETNESSES.map((view) => ({ view, ...WETNESS_WORDS[view] }))}
            shown={plan.wetness}
            onShow={(wetness) => changePlan({ wetness })}
          />
          <ViewChoice
            label="Painting hand"
            views={HANDS_OF_PAINTERS.map((view) => ({ view, name: HAND_NAMES[view] }))}
            shown={plan.hand}
            onShow={(hand) => changePlan({ hand })}
          />
        </div>
        <div className="flex items-center gap-2">
          <span className="label-line whitespace-nowrap">Crisp edges by</span>
          <ViewChoice
            label="Crisp edges by"
            views={CRISP_BY.map((view) => ({ view, ...CRISP_WORDS[view] }))}
            shown={plan.crispBy}
            onShow={(crispBy) => changePlan({ crispBy })}
          />
        </div>
        <p className="quiet text-[0.9rem] leading-snug">
          At the focal point, and where one shape stands on another, crisp edges always wait for drying. Drying follows
          from how fast water evaporates in this air. How thick the film is, what the sheet drinks, how long a wash is
          worked and how fast a hand paints are usual figures from memory: try one wash with a clock.
        </p>
      </div>
    </Disclosure>
  );
}
