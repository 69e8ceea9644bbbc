"use client";

import { SmoothSlider } from "@/ui/smooth-slider";
import type { Wish } from "@/core/planning";
import { useDeskStore } from "../desk-store";

const HEIGHTEN_FIRST = 1.4;
const TURN_FIRST = 30;

interface WishChoiceProps {
  readonly name: string;
  readonly wish: Wish | null;
  /** What null means here, if it can be chosen. */
  readonly none?: string;
  readonly onWish: (wish: Wish | null) => void;
}

/** What is wanted of a colour: follow the photo, raise or lower its chroma, or turn its hue and keep its value. */
export function WishChoice({ name, wish, none, onWish }: WishChoiceProps) {
  const { temporal } = useDeskStore();
  const choices: readonly { way: Wish["way"] | null; words: string; start: Wish | null }[] = [
    ...(none ? [{ way: null, words: none, start: null }] : []),
    { way: "follow", words: "follow the photo", start: { way: "follow" } },
    { way: "heighten", words: "heighten or mute", start: { way: "heighten", by: HEIGHTEN_FIRST } },
    { way: "turn", words: "turn the hue", start: { way: "turn", degrees: TURN_FIRST } },
  ];
  return (
    <div className="space-y-1.5">
      <div role="radiogroup" aria-label={name} className="flex flex-wrap gap-x-4 gap-y-1">
        {choices.map(({ way, words, start }) => (
          <label key={words} className="flex cursor-pointer items-center gap-1.5">
            <input
              type="radio"
              name={name}
              className="radio radio-xs radio-primary"
              checked={(wish?.way ?? null) === way}
              onChange={() => onWish(start)}
            />{" "}
            {words}
          </label>
        ))}
      </div>
      {wish?.way === "heighten" && (
        <label className="flex items-center gap-3">
          <SmoothSlider
            history={temporal}
            className="range range-xs flex-1 [--range-fill:0]"
            min={0.3}
            max={3}
            step={0.05}
            value={wish.by}
            aria-label="Chroma"
            aria-valuetext={`${wish.by.toFixed(2)} times the photo's`}
            onSlide={(by) => onWish({ way: "heighten", by })}
          />
          <span className="w-28 whitespace-nowrap">chroma × {wish.by.toFixed(2)}</span>
        </label>
      )}
      {wish?.way === "turn" && (
        <label className="flex items-center gap-3">
          <SmoothSlider
            history={temporal}
            className="range range-xs flex-1 [--range-fill:0]"
            min={-180}
            max={180}
            step={1}
            value={wish.degrees}
            aria-label="Turn of the hue"
            aria-valuetext={`${wish.degrees} degrees`}
            onSlide={(degrees) => onWish({ way: "turn", degrees })}
          />
          <span className="w-28 whitespace-nowrap">
            hue {wish.degrees > 0 ? "+" : "−"}
            {Math.abs(wish.degrees)}°
          </span>
        </label>
      )}
    </div>
  );
}
