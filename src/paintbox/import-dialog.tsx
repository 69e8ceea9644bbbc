"use client";

import { Upload, X } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { decodeText, guessColumns, PAINT_COLUMNS, readGimpPalette, readPaintRows, readTable, type ColumnMap, type PaintColumn, type RawTable } from "@/core";
import type { PaintEntry } from "@/model/paintbox";
import { entriesOfJson, entryOfRow } from "./exchange";
import { usePaintbox } from "./paintbox-store";

const MAX_BYTES = 8 * 1024 * 1024;
const FAULTS_SHOWN = 200;
const COLUMN_WORDS: Readonly<Record<PaintColumn, string>> = {
  name: "name", pigments: "pigments", maker: "maker", line: "line", status: "it is", form: "form", sizeMl: "size, ml", price: "price", currency: "currency",
  boughtOn: "bought on", openedOn: "opened on", batch: "batch", notes: "notes",
};

type Step =
  | { readonly step: "choose"; readonly fault?: string }
  | { readonly step: "columns"; readonly fileName: string; readonly table: RawTable; readonly map: ColumnMap }
  | { readonly step: "ready"; readonly fileName: string; readonly entries: readonly PaintEntry[] };

/** Reads a table of paints: shows what each column is taken for, what can't be taken and why, and stores nothing before that is seen. */
export function ImportDialog() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [step, setStep] = useState<Step>({ step: "choose" });
  const addMany = usePaintbox((s) => s.addMany);
  const room = usePaintbox((s) => 2000 - s.document.paints.length);

  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > MAX_BYTES) return setStep({ step: "choose", fault: "The file is over 8 MB; a table of paints is smaller." });
    const text = decodeText(new Uint8Array(await file.arrayBuffer()));
    const entries = entriesOfJson(text);
    if (entries) return setStep({ step: "ready", fileName: file.name, entries });
    try {
      const table = readGimpPalette(text) ?? readTable(text);
      setStep({ step: "columns", fileName: file.name, table, map: guessColumns(table.headers) });
    } catch (error) {
      setStep({ step: "choose", fault: error instanceof RangeError ? error.message : "The file could not be read. Save it as CSV and try again." });
    }
  };

  const result = useMemo(() => {
    if (step.step === "choose") return null;
    if (step.step === "ready") return { entries: step.entries, bad: [] };
    const { good, bad } = readPaintRows(step.table, step.map);
    const today = new Date().toISOString().slice(0, 10);
    const entries: PaintEntry[] = [];
    const faults = [...bad];
    for (const row of good) {
      const entry = entryOfRow(row, today);
      if ("reason" in entry) faults.push({ line: row.fileLine, reason: entry.reason });
      else entries.push(entry);
    }
    return { entries, bad: faults.sort((a, b) => a.line - b.line) };
  }, [step]);
  const close = (): void => dialog.current?.close();

  return (
    <>
      <button
        type="button" className="btn btn-ghost btn-sm"
        onClick={() => {
          setStep({ step: "choose" });
          dialog.current?.showModal();
        }}
      >
        <Upload size={14} /> Import
      </button>
      <dialog ref={dialog} className="modal" aria-label="Import paints">
        <div className="modal-box max-w-3xl space-y-4">
          <div className="flex items-center">
            <h2 className="name-face text-2xl">Import paints</h2>
            <button type="button" className="btn btn-square btn-ghost btn-sm ml-auto" aria-label="Close" onClick={close}><X size={16} /></button>
          </div>
          <label className="block">
            <span className="mb-1 block">A CSV file with a first line that names its columns, in any order, a JSON file from this program, or a GIMP palette whose colours are named after pigments.</span>
            <input type="file" accept=".csv,.tsv,.txt,.json,.gpl,text/csv,application/json" className="file-input w-full" onChange={(event) => void read(event.target.files?.[0])} />
          </label>
          {step.step === "choose" && step.fault && <p role="alert" className="text-error">{step.fault}</p>}
          {step.step === "columns" && (
            <fieldset className="grid grid-cols-3 gap-3">
              <legend className="mb-1 font-semibold">What the columns hold</legend>
              {PAINT_COLUMNS.map((column) => (
                <label key={column} className="block">
                  <span className="label-line block">{COLUMN_WORDS[column]}</span>
                  <select className="select select-sm w-full" value={step.map[column]} onChange={(event) => setStep({ ...step, map: { ...step.map, [column]: Number(event.target.value) } })}>
                    <option value={-1}>not in the file</option>
                    {step.table.headers.map((header, i) => <option key={`${i} ${header}`} value={i}>{header || `column ${i + 1}`}</option>)}
                  </select>
                </label>
              ))}
            </fieldset>
          )}
          {result && (
            <>
              <p role="status">{result.entries.length} paints can be taken{result.bad.length > 0 && `, ${result.bad.length} can't`}. Nothing is stored yet.</p>
              {result.bad.length > 0 && (
                <ul aria-label="Lines that can't be taken" className="max-h-40 overflow-y-auto rounded-box border border-(--hairline) p-3 text-[0.9rem]">
                  {result.bad.slice(0, FAULTS_SHOWN).map(({ line, reason }) => <li key={line}>line {line}: {reason}</li>)}
                  {result.bad.length > FAULTS_SHOWN && <li>and {result.bad.length - FAULTS_SHOWN} more</li>}
                </ul>
              )}
              {result.entries.length > room && <p role="alert" className="text-error">A paintbox holds 2000 paints; there is room for {room} more.</p>}
              <div className="modal-action">
                <button type="button" className="btn" onClick={close}>Leave it</button>
                <button
                  type="button" className="btn btn-primary" disabled={result.entries.length === 0 || result.entries.length > room}
                  onClick={() => {
                    addMany(result.entries);
                    close();
                  }}
                >
                  Add {result.entries.length} paints
                </button>
              </div>
            </>
          )}
        </div>
        <form method="dialog" className="modal-backdrop"><button>Close</button></form>
      </dialog>
    </>
  );
}
