"use client";

import { Plus, X } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import type { Paper } from "@/core";
import { Strip } from "@/ui/strip";
import { useDesk } from "../desk-store";
import { usePaints } from "../paints";

/** Chooses a paint from the paintbox for the tray. */
export function AddPaint({ paper }: { paper: Paper }) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const paints = usePaints();
  const palette = useDesk((s) => s.document.palette);
  const addToPalette = useDesk((s) => s.addToPalette);
  const found = useMemo(() => {
    const wanted = words.trim().toLowerCase();
    return [...paints.values()].filter((p) => `${p.name} ${p.codes} ${p.maker} ${p.line}`.toLowerCase().includes(wanted));
  }, [paints, words]);
  const show = (): void => {
    setOpen(true);
    dialog.current?.showModal();
  };
  return (
    <>
      <button type="button" className="btn btn-outline h-auto min-w-20 flex-none px-2 self-stretch border-dashed" onClick={show}>
        <Plus size={16} /> paint
      </button>
      <dialog ref={dialog} className="modal" aria-label="Lay a paint in the tray" onClose={() => setOpen(false)}>
        <div className="modal-box max-w-3xl">
          <div className="mb-4 flex items-center gap-3">
            <h2 className="name-face text-2xl">From the paintbox</h2>
            <input className="input input-sm ml-auto w-56" type="search" placeholder="Name, pigment or maker" aria-label="Search the paintbox" value={words} onChange={(event) => setWords(event.target.value)} />
            <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label="Close" onClick={() => dialog.current?.close()}><X size={16} /></button>
          </div>
          {open && (
            <ul className="grid grid-cols-2 gap-x-5 gap-y-2 sm:grid-cols-3">
              {found.map((paint) => (
                <li key={paint.id}>
                  <button
                    type="button" disabled={palette.includes(paint.id)} onClick={() => addToPalette(paint.id)}
                    className="w-full rounded-field p-1 text-left enabled:cursor-pointer enabled:hover:bg-base-200"
                  >
                    <Strip mix={[{ paint: paint.model, parts: 1 }]} paper={paper} width={205} height={38} label={paint.name} />
                    <span className="name-face block truncate text-[1.05rem] leading-tight">{paint.name}</span>
                    <span className="label-line block truncate">{paint.codes}{palette.includes(paint.id) && " · in the tray"}</span>
                  </button>
                </li>
              ))}
              {found.length === 0 && <li className="quiet col-span-full">No paint in the box answers to that.</li>}
            </ul>
          )}
        </div>
        <form method="dialog" className="modal-backdrop"><button>Close</button></form>
      </dialog>
    </>
  );
}
