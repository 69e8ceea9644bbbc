"use client";

import { createContext, useContext, useMemo } from "react";
import { describeColour } from "@/core/colour";
import { type MixPart } from "@/core/mixing";
import {
  paintingPlan,
  type AreaToPlan,
  type ColourToPlan,
  type Conditions,
  type PaintingPlan,
  type Reserve,
} from "@/core/planning";
import { FOCAL_WEIGHT } from "@/model/painting";
import type { StoredPlan } from "@/model/plan";
import { coloursOf } from "@/model/washes";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { usePaper } from "../paints";
import { useMeasured } from "../photo-study";

/** The plan of the painting, and the colours that no mix was chosen for yet: they stand in no wash. */
export interface KnownPlan {
  readonly plan: PaintingPlan;
  readonly areas: readonly AreaToPlan[];
  readonly unmixed: readonly MixedColour[];
  /** Lights that stay, or might: areas so light, or so small and light among dark ones, that they want a decision. */
  readonly lights: readonly {
    readonly areaId: string;
    readonly how: Reserve;
    readonly decided: boolean;
    /** It is the paper's own white, and painted around: no wash is laid there. */
    readonly bare: boolean;
  }[];
}

/** As light as this a colour is the paper's own, Munsell value. From memory. */
const PAPER_WHITE = 8.9;
/** A light so small among neighbours darker by so much is painted around with care, masked, or lifted. From memory. */
const SMALL_CM2 = 60;
const STANDS_OUT = 2;

const stainingOf = (mix: readonly MixPart[]): number => {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  return mix.reduce((sum, { paint, parts }) => sum + (paint.staining * parts) / total, 0);
};

/** The conditions that a plan is painted under. */
function useConditions(): Conditions {
  const paper = usePaper();
  const { temperatureC, humidity, weightGsm, wetness, crispBy } = useDesk((s) => s.document.plan);
  return useMemo(
    () => ({ air: { temperatureC, humidity }, sheet: { paper, weightGsm }, wetness, crispBy }),
    [temperatureC, humidity, weightGsm, wetness, crispBy, paper],
  );
}

/** Works out the plan of the painting; once, for whoever reads it, and only while somebody does. */
export function useComputedPlan(): KnownPlan | null {
  const asked = useDesk((s) => s.step === "plan" || s.easel || s.seeing === "planned");
  const documentAreas = useDesk((s) => s.document.areas);
  const stored: StoredPlan = useDesk((s) => s.document.plan);
  const mixed = useMixedColours();
  const measured = useMeasured();
  const conditions = useConditions();
  const { order, hand, reserved } = stored;
  return useMemo(() => {
    if (!asked) return null;
    const borders = measured?.borders ?? [];
    const valueOf = new Map<string, number>();
    const whole = new Map<string, number>();
    for (const area of documentAreas) {
      const own = mixed.filter(({ areaId }) => areaId === area.id);
      const main = own.reduce((most, one) => (one.weight > most.weight ? one : most), own[0]!);
      valueOf.set(area.id, describeColour(main.laid?.dry ?? main.lab).value);
      whole.set(
        area.id,
        own.reduce((sum, { areaCm2, overId }) => sum + (overId === null ? areaCm2 : 0), 0),
      );
    }
    const byRegion = new Map(documentAreas.map((area) => [area.region, area.id]));
    const standsOut = (id: string, region: number | null): boolean => {
      if (region === null || whole.get(id)! > SMALL_CM2 || whole.get(id)! <= 0) return false;
      const around = borders.flatMap(({ a, b }) =>
        a === region || b === region ? [byRegion.get(a === region ? b : a)] : [],
      );
      const values = around.flatMap((other) => (other === undefined ? [] : [valueOf.get(other)!]));
      return values.length > 0 && values.every((value) => valueOf.get(id)! - value >= STANDS_OUT);
    };
    const lights = documentAreas.flatMap(({ id, region }) => {
      const decided = reserved.find(({ areaId }) => areaId === id);
      const white = mixed.every(
        (colour) => colour.areaId !== id || describeColour(colour.laid?.dry ?? colour.lab).value >= PAPER_WHITE,
      );
      if (decided) return [{ areaId: id, how: decided.how, decided: true, bare: white && decided.how === "around" }];
      return valueOf.get(id)! >= PAPER_WHITE || standsOut(id, region)
        ? [{ areaId: id, how: "around" as const, decided: false, bare: white }]
        : [];
    });
    const bare = new Set(lights.flatMap((light) => (light.bare ? [light.areaId] : [])));
    const areas = documentAreas.flatMap((area): AreaToPlan[] => {
      if (bare.has(area.id)) return [];
      const ids = coloursOf(area);
      const colours = mixed.flatMap((colour): ColourToPlan[] => {
        const own = ids.find(({ id }) => id === colour.id);
        if (!own || !colour.laid) return [];
        const { mix, waterParts, value, chroma } = colour.laid;
        return [
          {
            id: colour.id,
            value,
            chroma,
            staining: stainingOf(mix),
            areaCm2: colour.areaCm2,
            waterParts,
            drop: own.drop,
            over: own.over,
          },
        ];
      });
      if (colours.length === 0) return [];
      return [
        {
          id: area.id,
          label: area.region,
          kind: area.wash.kind,
          edge: area.edge,
          focal: area.weight === FOCAL_WEIGHT,
          at: area.sample,
          reserve: reserved.find(({ areaId }) => areaId === area.id)?.how ?? null,
          colours,
        },
      ];
    });
    return {
      plan: paintingPlan(areas, borders, conditions, hand, order),
      areas,
      unmixed: mixed.filter(({ laid, areaId }) => laid === null && !bare.has(areaId)),
      lights,
    };
  }, [asked, documentAreas, mixed, measured, conditions, hand, order, reserved]);
}

export const PlanContext = createContext<KnownPlan | null>(null);

/** The plan of the painting. */
export function usePlan(): KnownPlan {
  const plan = useContext(PlanContext);
  if (!plan) throw new Error("Only usable in the plan.");
  return plan;
}
