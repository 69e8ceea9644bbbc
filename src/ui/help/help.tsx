"use client";

import { CircleQuestionMark } from "lucide-react";
import Link from "next/link";
import { useEffect, useRef } from "react";
import { isForField } from "../undo";
import { GLOSSARY, KEYS } from "./words";
import { CloseButton, ModalBackdrop } from "../close-button";

/** The keys and the words of the program, on "?" or from the head of every room. */
export function Help() {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.key !== "?" || isForField(event) || document.querySelector("dialog[open]")) return;
      event.preventDefault();
      dialog.current?.showModal();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label="Keys and words"
        title="Keys and words (?)"
        onClick={() => dialog.current?.showModal()}
      >
        <CircleQuestionMark size={16} />
      </button>
      <dialog ref={dialog} className="modal" aria-label="Keys and words">
        <div className="modal-box max-w-4xl">
          <div className="mb-3 flex flex-wrap items-center gap-y-2">
            <h2 className="name-face text-2xl">Keys and words</h2>
            <Link prefetch={false} href="/guide" className="btn btn-outline btn-sm ml-5">
              Guide: from photo to first wash
            </Link>
            <CloseButton className="ml-auto" onClose={() => dialog.current?.close()} />
          </div>
          <div className="grid grid-cols-1 gap-8 md:grid-cols-2">
            <div className="space-y-4">
              {KEYS.map(({ room, keys }) => (
                <section key={room}>
                  <h3 className="label-line mb-1">{room}</h3>
                  <dl className="grid grid-cols-[6.5rem_minmax(0,1fr)] gap-x-3 gap-y-1">
                    {keys.map(([key, what]) => (
                      <div key={key} className="contents">
                        <dt>
                          <kbd className="kbd kbd-sm whitespace-nowrap">{key}</kbd>
                        </dt>
                        <dd className="leading-snug">{what}</dd>
                      </div>
                    ))}
                  </dl>
                </section>
              ))}
            </div>
            <section aria-label="Words">
              <h3 className="label-line mb-1">Words</h3>
              <dl className="space-y-1.5">
                {Object.entries(GLOSSARY).map(([word, means]) => (
                  <div key={word} className="leading-snug">
                    <dt className="inline font-semibold">{word}</dt>
                    <dd className="inline"> · {means}</dd>
                  </div>
                ))}
              </dl>
            </section>
          </div>
        </div>
        <ModalBackdrop />
      </dialog>
    </>
  );
}
