"use client";

import { DESK_STEPS, type Step } from "./desk-state";
import { useDesk } from "./desk-store";

export const STEP_WORDS: Readonly<Record<Step, { name: string; title: string }>> = {
  photo: { name: "Photo", title: "Sheet, white, and a measured look" },
  areas: { name: "Areas", title: "What is painted as one shape, and in what colour" },
  palette: { name: "Palette", title: "Which few paints to lay out" },
  mixes: { name: "Mixes", title: "How to mix each area's colour" },
  check: { name: "Check", title: "How dark, how warm, and what would go dull, before a brush is wet" },
  plan: { name: "Plan", title: "Which wash when, how much to mix, and a view to paint by" },
};

/** The steps in a painter's order; the present one glows. */
export function StepBar() {
  const step = useDesk((s) => s.step);
  const goTo = useDesk((s) => s.goTo);
  return (
    <nav aria-label="Steps" className="flex border-b border-(--hairline) px-3 small:flex-wrap">
      {DESK_STEPS.map((one, i) => (
        <button
          key={one}
          type="button"
          title={STEP_WORDS[one].title}
          aria-current={one === step ? "step" : undefined}
          onClick={() => goTo(one)}
          className={`relative cursor-pointer px-2 pt-2.5 pb-2 leading-none ${one === step ? "font-semibold" : "quiet hover:text-base-content"}`}
        >
          <span className="mr-1 text-[0.87rem]">{i + 1}</span>
          <span className="name-face text-[1.05rem]">{STEP_WORDS[one].name}</span>
          {one === step && (
            <span
              aria-hidden
              className="absolute inset-x-0 -bottom-px h-[3px]"
              style={{ background: "var(--afterglow)" }}
            />
          )}
        </button>
      ))}
    </nav>
  );
}
