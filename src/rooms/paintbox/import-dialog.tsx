"use client";

import { Upload } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { PAINT_COLUMNS, type ColumnMap, type PaintColumn } from "@/core/formats";
import { localDay } from "@/model/day";
import { LIMITS } from "@/model/limits";
import { counted } from "@/model/text";
import type { ImportApi, ReadRows } from "@/workers/import-api";
import { importWorker } from "@/workers/start";
import { heard, WorkerStopped, type WorkerLink } from "@/workers/worker-link";
import { usePaintbox } from "./paintbox-store";
import { CloseButton, ModalBackdrop } from "@/ui/close-button";

const FAULTS_SHOWN = 200;
const COLUMN_WORDS: Readonly<Record<PaintColumn, string>> = {
  name: "name",
  pigments: "pigments",
  maker: "maker",
  line: "line",
  status: "it is",
  form: "form",
  sizeMl: "size, ml",
  price: "price",
  currency: "currency",
  boughtOn: "bought on",
  openedOn: "opened on",
  batch: "batch",
  notes: "notes",
  left: "what is left",
  tintingStrength: "tinting strength",
  transparency: "transparency",
  staining: "staining",
  granulation: "granulation",
  lightfastness: "lightfastness",
  favourite: "favourite",
};

type Step =
  | { readonly step: "choose"; readonly fault?: string }
  | { readonly step: "columns"; readonly headers: readonly string[]; readonly map: ColumnMap }
  | { readonly step: "ready" };

type Result = ReadRows;
type ImportWorker = WorkerLink<ImportApi>;

const COULD_NOT = "The file could not be read. Save it as CSV and try again.";

/**
 * Reads a table of paints in a worker: shows what each column is taken for, what can't be taken and why, and stores
 * nothing before that is seen.
 */
export function ImportDialog() {
  const dialog = useRef<HTMLDialogElement>(null);
  const [step, setStep] = useState<Step>({ step: "choose" });
  const [result, setResult] = useState<Result | null>(null);
  /** Share read, while something is being read. */
  const [share, setShare] = useState<number | null>(null);
  const worker = useRef<ImportWorker | null>(null);
  const addMany = usePaintbox((s) => s.addMany);
  const room = usePaintbox((s) => LIMITS.paints - s.document.paints.length);

  const stop = (): void => {
    worker.current?.stop();
    worker.current = null;
  };
  useEffect(() => stop, []);
  const asked = (): ImportWorker => (worker.current ??= importWorker());

  const rows = async (map: ColumnMap): Promise<void> => {
    setResult(null);
    setShare(0);
    let done = false;
    // The last of the progress may arrive after the answer.
    const progress = heard((now: number) => void (!done && setShare(now)));
    setResult(
      await asked()
        .ask("rows", map, localDay(new Date()), progress)
        .finally(() => (done = true)),
    );
    setShare(null);
  };
  const read = async (file: File): Promise<void> => {
    setResult(null);
    if (file.size > LIMITS.importBytes)
      return setStep({
        step: "choose",
        fault: `The file is over ${LIMITS.importBytes / 1024 / 1024} MB; a table of paints is smaller.`,
      });
    setShare(0);
    const found = await asked().ask("open", new Uint8Array(await file.arrayBuffer()), LIMITS.importLines);
    setShare(null);
    if (found.is === "refused") return setStep({ step: "choose", fault: found.message });
    if (found.is === "paints") {
      setStep({ step: "ready" });
      return setResult({ entries: found.entries, bad: [] });
    }
    setStep({ step: "columns", headers: found.headers, map: found.map });
    await rows(found.map);
  };
  /** What is being read, unless it is taken back. */
  const reading = (work: Promise<void>): void =>
    void work.catch((error: unknown) => {
      if (error instanceof WorkerStopped) return;
      setShare(null);
      setStep({ step: "choose", fault: COULD_NOT });
    });
  const begin = (): void => {
    stop();
    setShare(null);
    setResult(null);
    setStep({ step: "choose" });
  };
  const close = (): void => {
    begin();
    dialog.current?.close();
  };

  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() => {
          begin();
          dialog.current?.showModal();
        }}
      >
        <Upload size={14} /> Import
      </button>
      <dialog ref={dialog} className="modal" aria-label="Import paints">
        <div className="modal-box max-w-3xl space-y-4">
          <div className="flex items-center">
            <h2 className="name-face text-2xl">Import paints</h2>
            <CloseButton className="ml-auto" onClose={close} />
          </div>
          <label className="block">
            <span className="mb-1 block">
              A CSV file with a first line that names its columns, in any order, a JSON file from this program, or a
              GIMP palette whose colours are named after pigments. At most {LIMITS.importLines.toLocaleString("en")}{" "}
              lines and {LIMITS.importBytes / 1024 / 1024} MB.
            </span>
            <input
              type="file"
              accept=".csv,.tsv,.txt,.json,.gpl,text/csv,application/json"
              className="file-input w-full"
              onChange={(event) => {
                const file = event.target.files?.[0];
                begin();
                if (file) reading(read(file));
              }}
            />
          </label>
          {step.step === "choose" && step.fault && (
            <p role="alert" className="text-error">
              {step.fault}
            </p>
          )}
          {step.step === "columns" && (
            <fieldset className="grid grid-cols-3 gap-3">
              <legend className="mb-1 font-semibold">What the columns hold</legend>
              {PAINT_COLUMNS.map((column) => (
                <label key={column} className="block">
                  <span className="label-line block">{COLUMN_WORDS[column]}</span>
                  <select
                    className="select select-sm w-full"
                    value={step.map[column]}
                    onChange={(event) => {
                      const map = { ...step.map, [column]: Number(event.target.value) };
                      setStep({ ...step, map });
                      reading(rows(map));
                    }}
                  >
                    <option value={-1}>not in the file</option>
                    {step.headers.map((header, i) => (
                      <option key={`${i} ${header}`} value={i}>
                        {header || `column ${i + 1}`}
                      </option>
                    ))}
                  </select>
                </label>
              ))}
            </fieldset>
          )}
          {share !== null && (
            <div className="flex items-center gap-3">
              <progress
                className="progress progress-primary flex-1"
                value={share}
                max={1}
                aria-label="Reading the file"
              />
              <button type="button" className="btn btn-sm" onClick={begin}>
                Stop
              </button>
            </div>
          )}
          {result && (
            <>
              <p role="status">
                {counted(result.entries.length, "paint")} can be taken
                {result.bad.length > 0 && `, ${result.bad.length} can't`}. Nothing is stored yet.
              </p>
              {result.bad.length > 0 && (
                <ul
                  aria-label="Lines that can't be taken"
                  className="max-h-40 overflow-y-auto rounded-box border border-(--hairline) p-3 text-[0.9rem]"
                >
                  {result.bad.slice(0, FAULTS_SHOWN).map(({ line, reason }) => (
                    <li key={line}>
                      line {line}: {reason}
                    </li>
                  ))}
                  {result.bad.length > FAULTS_SHOWN && <li>and {result.bad.length - FAULTS_SHOWN} more</li>}
                </ul>
              )}
              {result.entries.length > room && (
                <p role="alert" className="text-error">
                  A paintbox holds {LIMITS.paints} paints; there is room for {room} more.
                </p>
              )}
              <div className="modal-action">
                <button type="button" className="btn" onClick={close}>
                  Leave it
                </button>
                <button
                  type="button"
                  className="btn btn-primary"
                  disabled={result.entries.length === 0 || result.entries.length > room}
                  onClick={() => {
                    addMany(result.entries);
                    close();
                  }}
                >
                  Add {counted(result.entries.length, "paint")}
                </button>
              </div>
            </>
          )}
        </div>
        <ModalBackdrop />
      </dialog>
    </>
  );
}
