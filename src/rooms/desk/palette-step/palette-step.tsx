"use client";

import { PALETTE_VIEWS, type PaletteView } from "../desk-state";
import { useDesk } from "../desk-store";
import { ChooseView } from "./choose-view";
import { CompareView } from "./compare-view";
import { ReachView } from "./reach-view";
import { TryView } from "./try-view";
import { WashView } from "./wash-view";
import { ViewChoice } from "@/ui/view-choice";

const VIEWS: Readonly<Record<PaletteView, { name: string; title: string; View: () => React.ReactNode }>> = {
  choose: { name: "Choose", title: "The best palettes of each size", View: ChooseView },
  try: { name: "Try out", title: "What each paint in the tray earns, and what others would do", View: TryView },
  compare: { name: "Side by side", title: "Up to three palettes on the same areas", View: CompareView },
  reach: { name: "Reach", title: "All colours that the palette makes", View: ReachView },
  wash: { name: "In water", title: "The ring test and the chart of pairs", View: WashView },
};

/** The third step: of all these paints, which few? */
export function PaletteStep() {
  const view = useDesk((s) => s.paletteView);
  const showPalette = useDesk((s) => s.showPalette);
  const { View } = VIEWS[view];
  return (
    <section aria-label="Palette step" className="space-y-3 p-6 pt-4">
      <h2 className="name-face text-2xl">Which few?</h2>
      <ViewChoice
        label="Ways to look at the palette"
        views={PALETTE_VIEWS.map((one) => ({ view: one, ...VIEWS[one] }))}
        shown={view}
        onShow={showPalette}
      />
      <View />
    </section>
  );
}
