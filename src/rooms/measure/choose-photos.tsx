"use client";

import { PHOTO_TYPES } from "@/ui/photo-types";
import { ImagePlus } from "lucide-react";
import { useRef } from "react";
import { useTakePhotos } from "./read-photos";

/** Chooses photos of cards from the disk, one or many. */
export function ChoosePhotos({ words, className }: { words: string; className: string }) {
  const input = useRef<HTMLInputElement>(null);
  const take = useTakePhotos();
  return (
    <>
      <button type="button" className={className} onClick={() => input.current?.click()}>
        <ImagePlus size={16} /> {words}
      </button>
      <input
        ref={input}
        type="file"
        multiple
        accept={PHOTO_TYPES}
        className="hidden"
        aria-label="Photos of sheets"
        tabIndex={-1}
        onChange={(event) => {
          take([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </>
  );
}
