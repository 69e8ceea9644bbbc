"use client";

import { Copy, Trash2 } from "lucide-react";
import { useState } from "react";
import { valueRange } from "@/core/mixing";
import { JudgingPair } from "@/ui/judging-pair";
import { Strip } from "@/ui/strip";
import { faultIn } from "@/model/fault";
import { LETTERS, LIMITS } from "@/model/limits";
import { keptPalette, type KeptPalette } from "@/model/painting";
import { cutText } from "@/model/text";
import { TypedText } from "@/ui/typed-text";
import { useDesk, useDeskStore } from "../desk-store";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { useWantedColours } from "../targets";
import { useWeighing, useServed } from "./weighing";
import { useApplyPalette } from "./apply-palette";
import { FAIR, paintsWord } from "./words";

const MOST_COMPARED = 3;
const TRAY = "tray";

function freeName(wanted: string, taken: readonly string[]): string {
  let name = wanted;
  for (let n = 2; taken.includes(name); n++)
    name = `${cutText(wanted.replace(/ \d+$/, ""), LETTERS.paletteName - 5)} ${n}`;
  return name;
}

/** One kept palette: its name can be changed, it can be doubled, laid out and let go. */
function Kept({
  kept,
  own,
  shown,
  full,
  onShow,
}: {
  kept: KeptPalette;
  own: readonly KnownPaint[];
  shown: boolean;
  full: boolean;
  onShow: () => void;
}) {
  const palettes = useDesk((s) => s.document.palettes);
  const setKept = useDesk((s) => s.setKept);
  const { busy, applyPalette, fault } = useApplyPalette();
  const names = palettes.map(({ name }) => name);
  const { nameKept, endTyping } = useDeskStore().getState();
  return (
    <>
      <li className="flex items-center gap-1.5 border-t border-(--hairline) py-1">
        <label className="grid size-8 flex-none place-items-center">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            aria-label={`Compare ${kept.name}`}
            checked={shown}
            disabled={!shown && full}
            onChange={onShow}
          />
        </label>
        <TypedText
          bare
          label={`Name of ${kept.name}`}
          value={kept.name}
          faultOf={(text) => faultIn(keptPalette.shape.name, text)}
          onText={(text) => nameKept(kept.id, text.trim())}
          onLeave={endTyping}
          className="min-w-0 flex-1"
          inputClassName="name-face h-[32px] w-full min-w-0 rounded-field border border-transparent bg-transparent px-1 hover:border-(--hairline)"
        />
        <span className="label-line whitespace-nowrap">{paintsWord(own.length)}</span>
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          disabled={busy || own.length === 0}
          aria-label={`Lay out ${kept.name}`}
          onClick={() => applyPalette(own.map(({ id }) => id))}
        >
          Lay it out
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-xs"
          disabled={palettes.length >= LIMITS.keptPalettes}
          aria-label={`Duplicate ${kept.name}`}
          title="Duplicate"
          onClick={() => setKept([...palettes, { ...kept, id: crypto.randomUUID(), name: freeName(kept.name, names) }])}
        >
          <Copy size={13} />
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-xs"
          aria-label={`Let ${kept.name} go`}
          title="Let it go (undo brings it back)"
          onClick={() => setKept(palettes.filter(({ id }) => id !== kept.id))}
        >
          <Trash2 size={13} />
        </button>
      </li>
      {fault && (
        <li role="alert" className="text-error">
          {fault}
        </li>
      )}
    </>
  );
}

/** Up to three palettes side by side on the same areas. */
export function CompareView() {
  const { areaNames, opened } = useWeighing();
  const paints = usePaints();
  const paper = usePaper();
  const tray = useDesk((s) => s.document.palette);
  const palettes = useDesk((s) => s.document.palettes);
  const setKept = useDesk((s) => s.setKept);
  const wanted = useWantedColours();
  const [chosen, setChosen] = useState<readonly string[]>([
    TRAY,
    ...palettes.slice(0, MOST_COMPARED - 1).map(({ id }) => id),
  ]);
  const [name, setName] = useState("");
  const wanting = name.trim() || "My palette";
  const fault = faultIn(keptPalette.shape.name, wanting);
  const known = (ids: readonly string[]): readonly KnownPaint[] => ids.flatMap((id) => paints.get(id) ?? []);
  const all = [{ id: TRAY, name: "In the tray", paints: tray }, ...palettes].filter(
    ({ paints: own }) => known(own).length > 0,
  );
  const columns = all.filter(({ id }) => chosen.includes(id)).slice(0, MOST_COMPARED);
  const served = useServed(columns.map((column) => known(column.paints).map(({ id }) => id)));
  const toggle = (id: string): void =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  const keep = (): void => {
    const id = crypto.randomUUID();
    setKept([
      ...palettes,
      {
        id,
        name: freeName(
          wanting,
          palettes.map((one) => one.name),
        ),
        paints: [...tray],
      },
    ]);
    setName("");
    if (columns.length < MOST_COMPARED) setChosen([...chosen, id]);
  };
  const least = (t: number): number => Math.min(...served.map((one) => one?.served[t]?.error ?? Infinity));
  return (
    <div className="space-y-4">
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <input
          className="input input-sm min-w-0 flex-1"
          placeholder="A name"
          aria-invalid={fault !== null}
          aria-label="Name for the tray's palette"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <button
          type="submit"
          className="btn btn-outline btn-sm"
          disabled={fault !== null || tray.length === 0 || palettes.length >= LIMITS.keptPalettes}
        >
          Keep the tray&apos;s palette
        </button>
      </form>
      {fault && (
        <p role="alert" className="text-[0.87rem] text-error">
          {fault}
        </p>
      )}
      {palettes.length >= LIMITS.keptPalettes && (
        <p className="label-line">Twelve are kept; let one go to keep another.</p>
      )}
      <ul aria-label="Kept palettes">
        <li className="flex items-center gap-1.5 py-1">
          <label className="grid size-8 flex-none place-items-center">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              aria-label="Compare the tray"
              checked={chosen.includes(TRAY)}
              disabled={!chosen.includes(TRAY) && columns.length >= MOST_COMPARED}
              onChange={() => toggle(TRAY)}
            />
          </label>
          <span className="name-face flex-1 px-1">In the tray</span>
          <span className="label-line">{paintsWord(tray.length)}</span>
        </li>
        {palettes.map((kept) => (
          <Kept
            key={kept.id}
            kept={kept}
            own={known(kept.paints)}
            shown={chosen.includes(kept.id)}
            full={columns.length >= MOST_COMPARED}
            onShow={() => toggle(kept.id)}
          />
        ))}
      </ul>
      {palettes.length === 0 && (
        <p className="label-line leading-snug">
          Keep a palette under a name, lay out another, and both stand here side by side.
        </p>
      )}
      {columns.length > 0 && opened > 0 && served.some((one) => one !== null) && (
        <table className="w-full table-fixed text-[0.9rem]" aria-label="Palettes side by side">
          <thead>
            <tr className="align-bottom">
              <th scope="col" className="w-[6.6rem]">
                <span className="sr-only">Area</span>
              </th>
              {columns.map((column) => (
                <th key={column.id} scope="col" className="px-1 pb-1 text-left font-normal">
                  <span className="name-face line-clamp-2 text-[1.02rem] leading-tight">{column.name}</span>
                  <span className="mt-1 flex flex-col gap-px">
                    {known(column.paints)
                      .slice(0, 12)
                      .map((paint) => (
                        <Strip
                          key={paint.id}
                          mix={[{ paint: paint.model, parts: 1 }]}
                          paper={paper}
                          width={88}
                          height={10}
                          label={paint.name}
                        />
                      ))}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {areaNames.map((area, t) => (
              <tr key={t} className="border-t border-(--hairline)">
                <th scope="row" className="name-face truncate py-0.5 pr-1 text-left font-normal" title={area}>
                  {area}
                </th>
                {columns.map((column, i) => {
                  const one = served[i]?.served[t];
                  return (
                    <td key={column.id} className="px-1 py-0.5">
                      {one && (
                        <span className="flex items-center gap-1.5">
                          {one.made && wanted[t] && (
                            <JudgingPair wanted={wanted[t].lab} mix={one.made} className="h-5 w-11" />
                          )}
                          <span
                            className={`${one.ideal >= FAIR ? "text-warning" : ""} ${columns.length > 1 && one.error <= least(t) + 0.05 ? "font-semibold" : ""}`}
                          >
                            {one.error.toFixed(1)}
                          </span>
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
            <tr className="border-t border-(--hairline)">
              <th scope="row" className="py-1 text-left font-normal">
                off by, in all
              </th>
              {columns.map((column, i) => (
                <td key={column.id} className="px-1 font-semibold">
                  {served[i]?.error.toFixed(1) ?? "…"}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row" className="py-1 text-left font-normal">
                values
              </th>
              {columns.map((column) => {
                const range = valueRange(
                  known(column.paints).map(({ model }) => model),
                  paper,
                );
                return (
                  <td key={column.id} className="px-1">
                    {range.darkest.toFixed(1)} to {range.lightest.toFixed(1)}
                  </td>
                );
              })}
            </tr>
          </tbody>
        </table>
      )}
    </div>
  );
}
