"use client";

import { Plus, Star, Trash2, X } from "lucide-react";
import { useState, type ReactNode } from "react";
import { useShallow } from "zustand/react/shallow";
import { PAPERS } from "@/core/optics";
import { grainOf, labelContradictions, pigmentById, searchPigments, type Hazard } from "@/core/pigments";
import { localDay } from "@/model/day";
import { LIMITS } from "@/model/limits";
import { paintOfFullWashMl } from "@/core/planning";
import { paintFaults, paintForm, paintStatus, unknownCodes, type PaintEntry } from "@/model/paintbox";
import { listed } from "@/model/text";
import { Caution } from "@/ui/caution";
import { Term } from "@/ui/help/term";
import { stainWords } from "@/ui/property-words";
import { Strip } from "@/ui/strip";
import { TypedText } from "@/ui/typed-text";
import { MeasuredSection } from "./measured-section";
import { BestFriends } from "./friends";
import { useModelOf } from "./measured";
import { usePaintbox, usePaintboxStore } from "./paintbox-store";

type Field = keyof PaintEntry;

/** A labelled field that keeps what is typed as it is typed, and tells at the field when it can't be right. */
function TextField({
  label,
  field,
  paint,
  value,
  parse,
  type,
  className,
  doubt,
}: {
  label: string;
  field: Field;
  paint: PaintEntry;
  value: string;
  type?: "text" | "number" | "date";
  className?: string;
  doubt?: string;
  parse: (text: string) => Partial<PaintEntry>;
}) {
  const { type: keep, endTyping } = usePaintboxStore().getState();
  return (
    <TypedText
      label={label}
      value={value}
      type={type}
      className={className}
      doubt={doubt}
      onLeave={endTyping}
      faultOf={(text) => paintFaults({ ...paint, ...parse(text) }, localDay(new Date()))[field] ?? null}
      onText={(text) => keep(paint.id, field, parse(text))}
    />
  );
}

const numberOf = (text: string): number | null => (text.trim() === "" ? null : Number(text.replace(",", ".")));
const textOf = (value: number | string | null): string => (value === null ? "" : String(value));

function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly T[];
  onChange: (value: T) => void;
}) {
  return (
    <label className="block">
      <span className="label-line block">{label}</span>
      <select
        className="select select-sm w-full"
        value={value}
        onChange={(event) => onChange(options.find((option) => option === event.target.value) ?? value)}
      >
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  );
}

function Pigments({ paint }: { paint: PaintEntry }) {
  const change = usePaintbox((s) => s.change);
  const [words, setWords] = useState("");
  const found = searchPigments(words, 5).filter(
    ({ pigments }) => pigments.length === 1 && !paint.pigments.some((p) => p.pigmentId === pigments[0]!.pigmentId),
  );
  const total = paint.pigments.reduce((sum, { share }) => sum + share, 0);
  const unknown = unknownCodes(paint);
  const set = (pigments: PaintEntry["pigments"]): void => change(paint.id, { pigments });
  return (
    <section aria-label="Pigments" className="space-y-1.5">
      <h3 className="font-semibold">In it</h3>
      {paint.pigments.map(({ pigmentId, share }, i) => {
        const { code, name } = pigmentById(pigmentId);
        return (
          <div key={pigmentId} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate">
              {code} <span className="quiet">{name}</span>
            </span>
            {paint.pigments.length > 1 && (
              <>
                <input
                  type="range"
                  className="range range-xs w-28 [--range-fill:0]"
                  min={0.02}
                  max={1}
                  step={0.02}
                  value={share / total}
                  aria-label={`Share of ${name}`}
                  onChange={(event) =>
                    set(
                      paint.pigments.map((p, j) =>
                        j === i
                          ? {
                              ...p,
                              share:
                                (Number(event.target.value) / (1.0001 - Number(event.target.value))) *
                                Math.max(0.001, total - share),
                            }
                          : p,
                      ),
                    )
                  }
                />
                <span className="w-10 text-right">{Math.round((100 * share) / total)} %</span>
                <button
                  type="button"
                  className="btn btn-square btn-ghost btn-xs"
                  aria-label={`Take ${name} out`}
                  onClick={() => set(paint.pigments.filter((_, j) => j !== i))}
                >
                  <X size={13} />
                </button>
              </>
            )}
          </div>
        );
      })}
      {unknown.length > 0 && (
        <p role="status" className="text-[0.9rem] leading-snug text-warning">
          The handbook does not know {listed(unknown)}: a newer Abendrot may have written it. The paint stays in your
          box; until it is measured, nothing is mixed from it.
        </p>
      )}
      {paint.pigments.length < LIMITS.pigments && (
        <div>
          <input
            className="input input-sm w-full"
            placeholder="Another pigment: code or name"
            aria-label="Add a pigment to this paint"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
          {found.map((pigment) => (
            <button
              key={pigment.id}
              type="button"
              className="btn btn-ghost btn-sm w-full justify-start font-normal"
              onClick={() => {
                set([...paint.pigments, { pigmentId: pigment.id, share: total / paint.pigments.length }]);
                setWords("");
              }}
            >
              <Plus size={13} /> {pigment.codes} {pigment.name}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}

/** Formulas change: another year or batch of the same paint is an entry of its own, linked to this one. */
function SameAs({ paint }: { paint: PaintEntry }) {
  const { change, add, open } = usePaintbox(useShallow(({ change, add, open }) => ({ change, add, open })));
  const linked = usePaintbox((s) => s.document.paints).filter(
    ({ id, sameAs }) =>
      id !== paint.id &&
      (sameAs === paint.id || id === paint.sameAs || (paint.sameAs !== null && sameAs === paint.sameAs)),
  );
  return (
    <section aria-label="Other years" className="flex flex-wrap items-center gap-2">
      <span className="label-line">Other years of it:</span>
      {linked.map((other) => (
        <button key={other.id} type="button" className="btn btn-xs" onClick={() => open(other.id)}>
          {other.batch || other.name}
        </button>
      ))}
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        onClick={() =>
          add({
            ...paint,
            id: crypto.randomUUID(),
            sameAs: paint.sameAs ?? paint.id,
            batch: "",
            boughtOn: null,
            openedOn: null,
            left: null,
          })
        }
      >
        <Plus size={12} /> another year
      </button>
      {paint.sameAs && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => change(paint.id, { sameAs: null })}>
          unlink
        </button>
      )}
    </section>
  );
}

function Row({ children }: { children: ReactNode }) {
  return <div className="grid grid-cols-3 gap-3">{children}</div>;
}

/** One paint: everything that is known of it, kept as it is typed. */
export function PaintSheet({ paint }: { paint: PaintEntry }) {
  const { change, remove, open } = usePaintbox(useShallow(({ change, remove, open }) => ({ change, remove, open })));
  const pigments = paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId));
  const hazards = [...new Set<Hazard>(pigments.flatMap((pigment) => pigment.hazards ?? []))];
  const model = useModelOf()(paint);
  const perMl = paint.price !== null && paint.sizeMl ? paint.price / paint.sizeMl : null;
  const doubts = labelContradictions(paint.label, pigments);
  const label =
    (key: keyof PaintEntry["label"]) =>
    (text: string): Partial<PaintEntry> => ({ label: { ...paint.label, [key]: text } });
  return (
    <article aria-label={paint.name} className="space-y-4 p-6">
      <header className="flex items-center gap-1">
        <TextField
          label="Name"
          field="name"
          paint={paint}
          value={paint.name}
          parse={(name) => ({ name: name.trim() })}
          className="flex-1"
        />
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm self-end"
          aria-label="Favourite"
          aria-pressed={paint.favourite}
          onClick={() => change(paint.id, { favourite: !paint.favourite })}
        >
          <Star size={16} fill={paint.favourite ? "currentColor" : "none"} />
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm self-end"
          aria-label={`Remove ${paint.name}`}
          title="Remove from the paintbox (undo brings it back)"
          onClick={() => remove(paint.id)}
        >
          <Trash2 size={16} />
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm self-end"
          aria-label="Close the sheet"
          onClick={() => open(null)}
        >
          <X size={16} />
        </button>
      </header>
      <Strip
        mix={[{ paint: model, parts: 1 }]}
        paper={PAPERS[0]}
        width={380}
        height={72}
        label={`${paint.name} from masstone to tint`}
      />
      <p className="quiet">
        {pigments.length === 1 ? pigments[0]!.transparency : `${pigments.length} pigments`},{" "}
        <Term word="granulation">{grainOf(model.granulation)}</Term>,{" "}
        <Term word="staining">{stainWords(Math.max(...pigments.map((p) => p.staining)))}</Term> ·{" "}
        {model.measured ? `measured on ${model.measured.on}` : <Term word="typical paints">typical values</Term>}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Maker"
          field="maker"
          paint={paint}
          value={paint.maker}
          parse={(maker) => ({ maker: maker.trim() })}
        />
        <TextField
          label="Line"
          field="line"
          paint={paint}
          value={paint.line}
          parse={(line) => ({ line: line.trim() })}
        />
        <Choice
          label="It is"
          value={paint.status}
          options={paintStatus.options}
          onChange={(status) => change(paint.id, { status })}
        />
        <Choice
          label="Form"
          value={paint.form}
          options={paintForm.options}
          onChange={(form) => change(paint.id, { form })}
        />
      </div>
      <MeasuredSection paint={paint} />
      <Pigments paint={paint} />
      <Row>
        <TextField
          label="Size, ml"
          type="number"
          field="sizeMl"
          paint={paint}
          value={textOf(paint.sizeMl)}
          parse={(text) => ({ sizeMl: numberOf(text) })}
        />
        <TextField
          label="Left, %"
          type="number"
          field="left"
          paint={paint}
          value={paint.left === null ? "" : String(Number((paint.left * 100).toFixed(2)))}
          parse={(text) => ({ left: numberOf(text) === null ? null : Number(numberOf(text)) / 100 })}
        />
        <TextField
          label="Strength, 1 typical"
          type="number"
          field="tintingStrength"
          paint={paint}
          value={String(paint.tintingStrength)}
          parse={(text) => ({ tintingStrength: numberOf(text) ?? 0 })}
        />
        <TextField
          label="Price"
          type="number"
          field="price"
          paint={paint}
          value={textOf(paint.price)}
          parse={(text) => ({ price: numberOf(text) })}
        />
        <TextField
          label="Currency"
          field="currency"
          paint={paint}
          value={paint.currency}
          parse={(currency) => ({ currency: currency.trim() })}
        />
        <p className="self-end pb-1 text-[0.9rem]">
          {perMl !== null &&
            `${perMl.toFixed(2)} ${paint.currency} a ml, ${(perMl * paintOfFullWashMl()).toFixed(2)} a full wash over a quarter sheet`}
        </p>
        <TextField
          label="Bought on"
          type="date"
          field="boughtOn"
          paint={paint}
          value={textOf(paint.boughtOn)}
          parse={(text) => ({ boughtOn: text || null })}
        />
        <TextField
          label="Opened on"
          type="date"
          field="openedOn"
          paint={paint}
          value={textOf(paint.openedOn)}
          parse={(text) => ({ openedOn: text || null })}
        />
        <TextField
          label="Batch or year"
          field="batch"
          paint={paint}
          value={paint.batch}
          parse={(batch) => ({ batch: batch.trim() })}
        />
      </Row>
      <BestFriends paint={paint} />
      <SameAs paint={paint} />
      <section aria-label="On the label" className="space-y-1.5">
        <h3 className="font-semibold">
          On the label <span className="quiet font-normal">as printed</span>
        </h3>
        <div className="grid grid-cols-2 gap-3">
          {(["transparency", "staining", "granulation", "lightfastness"] as const).map((key) => (
            <TextField
              key={key}
              label={key}
              field="label"
              paint={paint}
              value={paint.label[key]}
              parse={label(key)}
              doubt={doubts[key]}
            />
          ))}
        </div>
      </section>
      <TextField label="Notes" field="notes" paint={paint} value={paint.notes} parse={(notes) => ({ notes })} />
      {hazards.length > 0 && (
        <section aria-label="Cautions" className="border-t border-(--hairline) pt-3">
          <h3 className="font-semibold">Contains {hazards.join(", ")}</h3>
          <Caution />
        </section>
      )}
    </article>
  );
}
