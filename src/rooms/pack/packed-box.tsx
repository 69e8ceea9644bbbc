"use client";

import { Ban, Pin } from "lucide-react";
import { useMemo, useState } from "react";
import { paperById } from "@/core/optics";
import { arrangePaints, NEEDED, type PackedPaint } from "@/core/palette";
import { MIXABLE } from "@/model/paintbox";
import { counted, listed } from "@/model/text";
import { askFor, jsonOf } from "@/ui/ask";
import { PAINTBOX_URL, paintingPage } from "@/model/addresses";
import { Strip } from "@/ui/strip";
import { shapeOf, travelBoxOf } from "./packing";
import type { Packed } from "./use-packed";

const paper = paperById("cotton-rough");
/** Off by this much if mixed exactly, a colour is out of reach (dE00 beyond what nobody sees). From memory. */
const OUT_OF_REACH = 4;
const MOST_NAMED = 3;
const RULES = [
  { which: "must", icon: Pin, does: "must come along", title: "Must come along" },
  { which: "never", icon: Ban, does: "stays at home", title: "Stays at home" },
] as const;

/** Whom a paint is packed for, in words. */
export function servesWords(
  { loss, colours }: Pick<PackedPaint, "loss" | "colours">,
  titles: readonly string[],
): string {
  const needing = titles.filter((_, i) => loss[i]! >= NEEDED);
  if (titles.length > 1 && needing.length === titles.length) return "all need it";
  if (needing.length === 1 && titles.length > 1) return `${needing[0]} alone needs it`;
  if (needing.length > 0) return `needed for ${listed([...needing])}`;
  const used = colours.reduce((sum, count) => sum + count, 0);
  return used === 0 ? "nothing is mixed with it" : `in ${counted(used, "colour")}, none hangs on it`;
}

interface PackedBoxViewProps {
  readonly packed: Packed;
  readonly name: string;
  readonly onRule: (which: "must" | "never", id: string) => void;
  readonly onSize: (size: number) => void;
}

/** The packed box: its pans, whom each is for, what each painting comes to, what stays at home. */
export function PackedBoxView({ packed: { box, question }, name, onRule, onSize }: PackedBoxViewProps) {
  // The answer names paints by their places in its own question, whatever has been ticked since.
  const { paints, choice } = question;
  const [laid, setLaid] = useState<{ readonly box: unknown; readonly words: string; readonly done: boolean } | null>(
    null,
  );
  const inOrder = useMemo(() => {
    const packed = box?.paints ?? [];
    const order = arrangePaints(
      packed.map(({ paint }) => paints[paint]!.model),
      "round the wheel",
      paper,
    );
    return order.map((model) => packed.find(({ paint }) => paints[paint]!.model === model)!);
  }, [box, paints]);
  const titles = question.asked.map(({ title }) => title);
  if (!box)
    return (
      <p role="status" className="name-face text-xl">
        {choice.must.length > choice.size
          ? `${choice.must.length} paints must come along, and the box has ${choice.size} wells.`
          : `No box of ${choice.size} can be packed: there are not so many paints to choose from.`}
      </p>
    );
  const packedIds = new Set(box.paints.map(({ paint }) => paint));
  const home = paints.filter((_, p) => !packedIds.has(p));
  const { columns } = shapeOf(box.paints.length);
  const buy = box.paints.filter(({ paint }) => !MIXABLE.has(paints[paint]!.status)).length;
  const layIn = async (): Promise<void> => {
    const fault = await askFor(
      PAINTBOX_URL,
      jsonOf("POST", { box: travelBoxOf(name, { ...box, paints: inOrder }, paints) }),
    );
    setLaid({ box, words: fault ?? `“${name}” lies among your boxes.`, done: fault === null });
  };
  return (
    <div className="space-y-5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="name-face text-2xl">These {counted(box.paints.length, "paint")}</h2>
        <p className="quiet flex-1">
          the best of all {box.outOf.toLocaleString("en")} boxes of that size, each painting counting alike
        </p>
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={laid?.box === box && laid.done}
          onClick={() => void layIn()}
        >
          Lay it among my boxes
        </button>
      </div>
      {laid?.box === box && (
        <p role={laid.done ? "status" : "alert"} className={laid.done ? "" : "text-error"}>
          {laid.words}{" "}
          {laid.done && (
            <>
              {buy > 0 && `Empty wells wait for the ${counted(buy, "paint")} to buy. `}
              <a className="link" href="/paintbox">
                Look at it in the paintbox
              </a>
              .
            </>
          )}
        </p>
      )}
      {box.enough < box.paints.length && (
        <p role="note" aria-label="Enough" className="border-l-2 border-primary/60 pl-2.5 leading-snug">
          {box.enough} would do: after that one more hardly helps.{" "}
          <button type="button" className="btn btn-outline btn-sm ml-1" onClick={() => onSize(box.enough)}>
            Pack {box.enough}
          </button>
        </p>
      )}
      <ul
        aria-label="Packed paints"
        className="grid gap-3 rounded-box border border-(--hairline) p-3"
        style={{ gridTemplateColumns: `repeat(${Math.min(columns, 6)}, minmax(0, 1fr))` }}
      >
        {inOrder.map((one) => {
          const paint = paints[one.paint]!;
          return (
            <li key={paint.id} className="min-w-0">
              <Strip
                mix={[{ paint: paint.model, parts: 1 }]}
                paper={paper}
                width={120}
                height={34}
                label={`${paint.name} from masstone to tint`}
                className="w-full"
              />
              <p className="name-face mt-0.5 truncate leading-tight" title={paint.name}>
                {paint.name}
              </p>
              <p className="label-line leading-snug">
                {!MIXABLE.has(paint.status) && <b>to buy; </b>}
                {servesWords(one, titles)}
              </p>
              <p className="flex">
                {RULES.map(({ which, icon: Icon, does, title }) => (
                  <button
                    key={which}
                    type="button"
                    className="grid size-8 place-items-center first:-ml-1.5"
                    aria-label={`${paint.name} ${does}`}
                    title={title}
                    onClick={() => onRule(which, paint.id)}
                  >
                    <Icon size={14} />
                  </button>
                ))}
              </p>
            </li>
          );
        })}
      </ul>
      {box.free > 0 && (
        <p className="leading-snug">
          {counted(box.free, "well")} {box.free === 1 ? "stays" : "stay"} free: nothing more would be mixed with.
        </p>
      )}
      {/* A table of figures may be wider than a small window: it is moved by itself. */}
      <div className="overflow-x-auto">
        <table className="table text-[0.95rem]">
          <thead className="text-base-content">
            <tr>
              <th>Painting</th>
              <th>off by with this box</th>
              <th>with everything at home</th>
              <th>out of reach</th>
            </tr>
          </thead>
          <tbody>
            {question.asked.map(({ id, title, colours }, i) => {
              const { error, atHome, ideal } = box.paintings[i]!;
              const short = [...new Set(colours.flatMap(({ area }, t) => (ideal[t]! >= OUT_OF_REACH ? [area] : [])))];
              return (
                <tr key={id}>
                  <td>
                    <a className="link inline-flex min-h-[2.2rem] items-center" href={paintingPage(id)}>
                      {title}
                    </a>{" "}
                    <span className="quiet">{counted(colours.length, "colour")}</span>
                  </td>
                  <td>{error.toFixed(1)}</td>
                  <td>{atHome.toFixed(1)}</td>
                  <td>
                    {short.length === 0
                      ? "nothing"
                      : listed(short.slice(0, MOST_NAMED)) +
                        (short.length > MOST_NAMED ? ` and ${short.length - MOST_NAMED} more` : "")}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="leading-snug">
        <b>Left at home:</b> {home.length === 0 ? "nothing" : listed(home.map((paint) => paint.name))}.
      </p>
      <p className="quiet text-[0.9rem] leading-snug">
        Off by: what the mixes come out off by in each painting&apos;s own hand, weighted mean dE00 beyond what nobody
        sees. A paint is needed where a painting comes out {NEEDED} or more worse without it.
      </p>
    </div>
  );
}
