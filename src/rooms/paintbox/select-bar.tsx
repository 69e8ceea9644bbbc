"use client";

import { useState } from "react";
import { paintForm, paintStatus, type PaintEntry } from "@/model/paintbox";
import { LETTERS } from "@/model/limits";
import { useBoxesHere, usePaintbox } from "./paintbox-store";

/** A word to be set for all selected paints. */
function SetWord({ label, onSet }: { label: string; onSet: (word: string) => void }) {
  const [word, setWord] = useState("");
  return (
    <form
      className="join"
      onSubmit={(event) => {
        event.preventDefault();
        onSet(word.trim());
        setWord("");
      }}
    >
      <input
        className="input input-sm join-item w-32"
        aria-label={`${label} of all selected`}
        placeholder={label}
        maxLength={LETTERS.paintName}
        value={word}
        onChange={(event) => setWord(event.target.value)}
      />
      <button type="submit" className="btn join-item btn-sm" aria-label={`Set ${label.toLowerCase()}`}>
        Set
      </button>
    </form>
  );
}

/** What can be done with several paints at once; each is one step to undo. */
export function SelectBar({
  selected,
  shown,
  onSelect,
  onEnd,
}: {
  selected: ReadonlySet<string>;
  /** Ids of the paints that are shown. */
  shown: readonly string[];
  onSelect: (ids: ReadonlySet<string>) => void;
  onEnd: () => void;
}) {
  const changeMany = usePaintbox((s) => s.changeMany);
  const removeMany = usePaintbox((s) => s.removeMany);
  const fillBox = usePaintbox((s) => s.fillBox);
  const boxes = useBoxesHere();
  const change = (part: Partial<Omit<PaintEntry, "id">>): void => changeMany(selected, part);
  const none = selected.size === 0;
  return (
    <div
      role="toolbar"
      aria-label="Selected paints"
      className="mb-4 flex flex-wrap items-center gap-x-3 gap-y-2 rounded-box border border-(--hairline) bg-base-200 px-3 py-2"
    >
      <span role="status" aria-label="How many are selected" className="font-semibold">
        {selected.size} selected
      </span>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => onSelect(new Set(shown))}>
        All {shown.length} shown
      </button>
      <button type="button" className="btn btn-ghost btn-sm" disabled={none} onClick={() => onSelect(new Set())}>
        None
      </button>
      <fieldset disabled={none} className="flex flex-wrap items-center gap-2">
        <SetWord label="Maker" onSet={(maker) => change({ maker })} />
        <SetWord label="Line" onSet={(line) => change({ line })} />
        <select
          className="select select-sm w-28"
          aria-label="Form of all selected"
          value=""
          onChange={(event) => change({ form: paintForm.parse(event.target.value) })}
        >
          <option value="" disabled>
            Form
          </option>
          {paintForm.options.map((form) => (
            <option key={form}>{form}</option>
          ))}
        </select>
        <select
          className="select select-sm w-28"
          aria-label="All selected are"
          value=""
          onChange={(event) => change({ status: paintStatus.parse(event.target.value) })}
        >
          <option value="" disabled>
            It is
          </option>
          {paintStatus.options.map((status) => (
            <option key={status}>{status}</option>
          ))}
        </select>
        {boxes.length > 0 && (
          <select
            className="select select-sm w-32"
            aria-label="Into a box"
            value=""
            onChange={(event) => fillBox(event.target.value, selected)}
          >
            <option value="" disabled>
              Into a box
            </option>
            {boxes.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        )}
        <button
          type="button"
          className="btn btn-outline btn-sm"
          onClick={() => {
            removeMany(selected);
            onSelect(new Set());
          }}
        >
          Remove
        </button>
      </fieldset>
      <button type="button" className="btn btn-ghost btn-sm ml-auto" onClick={onEnd}>
        Done
      </button>
    </div>
  );
}
