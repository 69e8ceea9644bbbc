"use client";

import type { MatchSource } from "../desk-state";
import { useDesk } from "../desk-store";
import { leftOutWords, trayAgainstApproach } from "../left-out-words";
import { MOST_MIXED, useLeftOut, usePaints, useProposed } from "../paints";

/** Whether mixes may use the whole paintbox or only the palette in the tray. */
export function SourceChoice() {
  const source = useDesk((s) => s.source);
  const setSource = useDesk((s) => s.setSource);
  const palette = useDesk((s) => s.document.palette);
  const owned = useProposed().length;
  const leftOut = useLeftOut();
  const paints = usePaints();
  const said =
    source === "tray"
      ? trayAgainstApproach(
          palette.flatMap((id) => paints.get(id) ?? []),
          leftOut,
        )
      : leftOut.size > 0
        ? `${leftOutWords([...leftOut.values()])}.`
        : null;
  const choices: readonly { value: MatchSource; words: string }[] = [
    {
      value: "paintbox",
      words: owned > MOST_MIXED ? `the ${MOST_MIXED} most different of ${owned}` : `all ${owned} paints`,
    },
    { value: "tray", words: `the ${palette.length} in the tray` },
  ];
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4">
      <legend className="sr-only">Mix from</legend>
      <span aria-hidden className="quiet">
        from
      </span>
      {choices.map(({ value, words }) => (
        <label key={value} className="flex cursor-pointer items-center gap-1.5">
          <input
            type="radio"
            name="source"
            className="radio radio-xs radio-primary"
            checked={source === value}
            onChange={() => setSource(value)}
          />
          {words}
        </label>
      ))}
      {said && <p className="label-line w-full leading-snug">{said}</p>}
    </fieldset>
  );
}
