"use client";

import type { ReactNode, RefObject } from "react";

/** Asks before something is done that can't easily be taken back. */
export function ConfirmDialog({
  dialog,
  label,
  question,
  children,
  no,
  yes,
  danger = false,
  onYes,
}: {
  dialog: RefObject<HTMLDialogElement | null>;
  label: string;
  question: string;
  /** What would happen. */
  children: ReactNode;
  no: string;
  yes: string;
  danger?: boolean;
  onYes: () => void;
}) {
  return (
    <dialog ref={dialog} className="modal" aria-label={label}>
      <div className="modal-box max-w-md">
        <h2 className="name-face text-2xl">{question}</h2>
        <p className="mt-2 leading-snug">{children}</p>
        <div className="modal-action">
          <button type="button" className="btn" onClick={() => dialog.current?.close()}>
            {no}
          </button>
          <button
            type="button"
            className={`btn ${danger ? "btn-error" : "btn-primary"}`}
            onClick={() => {
              dialog.current?.close();
              onYes();
            }}
          >
            {yes}
          </button>
        </div>
      </div>
    </dialog>
  );
}
