"use client";

import type { PaintingArea } from "@/model/painting";
import { ViewChoice } from "@/ui/view-choice";
import { CHECK_VIEWS, type CheckView } from "../desk-state";
import { useDesk } from "../desk-store";
import { AreaNav } from "../panel/area-nav";
import { DarkDetail } from "./dark-ways";
import { DarkList } from "./dark-list";
import { LightDetail, LightList } from "./light-list";
import { MudList } from "./mud-list";
import { WarmthDetail } from "./warmth-detail";
import { WarmthList } from "./warmth-list";

interface View {
  readonly name: string;
  readonly title: string;
  readonly All: () => React.ReactNode;
  readonly One: (props: { area: PaintingArea }) => React.ReactNode;
}

const VIEWS: Readonly<Record<CheckView, View>> = {
  darks: { name: "Darks", title: "How dark is dark, and the ways to it", All: DarkList, One: DarkDetail },
  warmth: {
    name: "Warm and cool",
    title: "What is warm beside what, and how to shift it at the same value",
    All: WarmthList,
    One: WarmthDetail,
  },
  mud: {
    name: "Mud",
    title: "What would go dull, why, and the way out",
    All: () => <MudList area={null} />,
    One: MudList,
  },
  light: {
    name: "In the light",
    title: "What years on a wall make of it, which area goes first, and what would last",
    All: LightList,
    One: LightDetail,
  },
};

/** The last step before painting: how dark, how warm, and what would go dull; for all areas or for one. */
export function CheckStep({ area }: { area: PaintingArea | null }) {
  const view = useDesk((s) => s.checkView);
  const showCheck = useDesk((s) => s.showCheck);
  const { All, One } = VIEWS[view];
  return (
    <section aria-label="Check step" className="space-y-3 p-6 pt-4">
      {area && <AreaNav area={area} />}
      <h2 className="name-face text-2xl">{area?.name ?? "Before a brush is wet"}</h2>
      <ViewChoice
        label="What is checked"
        views={CHECK_VIEWS.map((one) => ({ view: one, ...VIEWS[one] }))}
        shown={view}
        onShow={showCheck}
      />
      {area ? <One key={area.id} area={area} /> : <All />}
    </section>
  );
}
