"use client";

import { useId, useState, type ReactNode } from "react";
import { GLOSSARY, type GlossaryWord } from "./words";

/** A word that explains itself: by hovering, and by a press or Enter in a note at the page's corner. */
export function Term({ word, children }: { word: GlossaryWord; children?: ReactNode }) {
  const id = useId();
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        popoverTarget={id}
        title={GLOSSARY[word]}
        className="-my-2 inline-flex min-h-[32px] cursor-help items-center text-[0.95rem] underline decoration-dotted underline-offset-2"
      >
        {children ?? word}
      </button>
      {/* Empty while it is shut: what is not seen is no part of the text around it. */}
      <span
        id={id}
        popover="auto"
        onBeforeToggle={(event) => setOpen(event.newState === "open")}
        className="fixed inset-auto right-5 bottom-5 m-0 max-w-sm rounded-box border border-(--hairline) bg-base-100 p-4 text-base leading-snug font-normal text-base-content shadow-md"
      >
        {open && (
          <>
            <b>{word}</b>: {GLOSSARY[word]}
          </>
        )}
      </span>
    </>
  );
}
