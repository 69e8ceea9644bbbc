"use client";

import type { WashCharacter } from "@/core/mixing";

const GRAIN_WORDS: Readonly<Record<WashCharacter["grain"], string>> = {
  free: "as it comes",
  smooth: "smooth, nothing settles",
  rough: "rough, pigment settles",
};
const WISHES = [
  ["lifts", "I will lift it: nothing that stains"],
  ["clear", "the paper shows through: nothing that hides"],
] as const;

/** What is wished of an area's wash beside its colour: weighed when palettes and ways to mix it are chosen. */
export function CharacterChoice({
  name,
  character,
  planned,
  onChange,
}: {
  name: string;
  character: WashCharacter;
  /** The plan means to lift it, so what stains is avoided in any case. */
  planned: boolean;
  onChange: (character: WashCharacter) => void;
}) {
  return (
    <fieldset className="space-y-1">
      <legend className="label-line">How it should lie</legend>
      <select
        aria-label={`Texture of ${name}`}
        className="select select-sm w-full"
        value={character.grain}
        onChange={(event) => onChange({ ...character, grain: event.target.value as WashCharacter["grain"] })}
      >
        {(Object.keys(GRAIN_WORDS) as WashCharacter["grain"][]).map((grain) => (
          <option key={grain} value={grain}>
            {GRAIN_WORDS[grain]}
          </option>
        ))}
      </select>
      {WISHES.map(([wish, words]) => {
        const fixed = wish === "lifts" && planned;
        return (
          <label key={wish} className="flex min-h-[2.2rem] cursor-pointer items-center gap-2 leading-snug">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={character[wish] || fixed}
              disabled={fixed}
              onChange={() => onChange({ ...character, [wish]: !character[wish] })}
            />
            <span>
              {words}
              {fixed && <span className="quiet"> (so planned)</span>}
            </span>
          </label>
        );
      })}
    </fieldset>
  );
}
