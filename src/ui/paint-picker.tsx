"use client";

import { useMemo, useRef, useState, type ReactNode } from "react";
import type { PaintModel } from "@/core/mixing";
import type { Paper } from "@/core/optics";
import { Strip } from "./strip";
import { CloseButton, ModalBackdrop } from "./close-button";

/** A paint that can be picked. */
export interface PickablePaint {
  readonly id: string;
  readonly name: string;
  /** Second line, e.g. its pigments. */
  readonly detail: string;
  /** Further words that find it. */
  readonly search?: string;
  readonly model: PaintModel;
}

interface PaintPickerProps {
  readonly title: string;
  readonly paints: readonly PickablePaint[];
  readonly paper: Paper;
  /** Paints that can't be picked again, and why. */
  readonly taken?: { readonly ids: readonly string[]; readonly words: string };
  readonly onPick: (id: string) => void;
  /** Why the last pick was not taken. */
  readonly fault?: string | null;
  readonly closeOnPick?: boolean;
  readonly className: string;
  /** What stands on the button. */
  readonly children: ReactNode;
}

/** A button that opens the paints as strips, to be searched and picked from. */
export function PaintPicker({
  title,
  paints,
  paper,
  taken,
  onPick,
  fault,
  closeOnPick = false,
  className,
  children,
}: PaintPickerProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  const [open, setOpen] = useState(false);
  const [words, setWords] = useState("");
  const found = useMemo(() => {
    const wanted = words.trim().toLowerCase();
    return paints.filter((p) => `${p.name} ${p.detail} ${p.search ?? ""}`.toLowerCase().includes(wanted));
  }, [paints, words]);
  return (
    <>
      <button
        type="button"
        className={className}
        onClick={() => {
          setOpen(true);
          dialog.current?.showModal();
        }}
      >
        {children}
      </button>
      <dialog ref={dialog} className="modal" aria-label={title} onClose={() => setOpen(false)}>
        <div className="modal-box max-w-3xl">
          <div className="mb-4 flex items-center gap-3">
            <h2 className="name-face text-2xl">{title}</h2>
            <input
              className="input input-sm ml-auto w-56"
              type="search"
              placeholder="Name or pigment"
              aria-label="Search the paints"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
            <CloseButton onClose={() => dialog.current?.close()} />
          </div>
          {fault && (
            <p role="alert" className="mb-3 text-error">
              {fault}
            </p>
          )}
          {open && (
            <ul className="grid grid-cols-2 gap-x-5 gap-y-2 sm:grid-cols-3">
              {found.map((paint) => {
                const unavailable = taken?.ids.includes(paint.id) ?? false;
                return (
                  <li key={paint.id}>
                    <button
                      type="button"
                      disabled={unavailable}
                      className="w-full rounded-field p-1 text-left enabled:cursor-pointer enabled:hover:bg-base-200"
                      onClick={() => {
                        onPick(paint.id);
                        if (closeOnPick) dialog.current?.close();
                      }}
                    >
                      <Strip
                        mix={[{ paint: paint.model, parts: 1 }]}
                        paper={paper}
                        width={205}
                        height={38}
                        label={paint.name}
                      />
                      <span className="name-face block truncate text-[1.05rem] leading-tight">{paint.name}</span>
                      <span className="label-line block truncate">
                        {paint.detail}
                        {unavailable && ` · ${taken?.words}`}
                      </span>
                    </button>
                  </li>
                );
              })}
              {found.length === 0 && <li className="quiet col-span-full">No paint in the box answers to that.</li>}
            </ul>
          )}
        </div>
        <ModalBackdrop />
      </dialog>
    </>
  );
}
