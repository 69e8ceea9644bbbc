"use client";

import { ImagePlus } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { isForField } from "@/ui/undo";
import { useTakePhotos } from "./read-photos";

/** Photos of cards dropped anywhere on the page or pasted into it; true while some are held over it. */
export function useDroppedCards(): boolean {
  const take = useTakePhotos();
  const [over, setOver] = useState(false);
  useEffect(() => {
    const onDragOver = (event: DragEvent): void => {
      if (!event.dataTransfer?.types.includes("Files")) return;
      event.preventDefault();
      setOver(true);
    };
    const onDragLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setOver(false);
    };
    const bring = (event: Event, data: DataTransfer | null): void => {
      const files = [...(data?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      take(files);
    };
    const onDrop = (event: DragEvent): void => {
      setOver(false);
      bring(event, event.dataTransfer);
    };
    const onPaste = (event: ClipboardEvent): void => {
      if (!isForField(event)) bring(event, event.clipboardData);
    };
    window.addEventListener("dragover", onDragOver);
    window.addEventListener("dragleave", onDragLeave);
    window.addEventListener("drop", onDrop);
    window.addEventListener("paste", onPaste);
    return () => {
      window.removeEventListener("dragover", onDragOver);
      window.removeEventListener("dragleave", onDragLeave);
      window.removeEventListener("drop", onDrop);
      window.removeEventListener("paste", onPaste);
    };
  }, [take]);
  return over;
}

/** Chooses photos of cards from the disk, one or many. */
export function ChoosePhotos({ words, className }: { words: string; className: string }) {
  const input = useRef<HTMLInputElement>(null);
  const take = useTakePhotos();
  return (
    <>
      <button type="button" className={className} onClick={() => input.current?.click()}><ImagePlus size={16} /> {words}</button>
      <input
        ref={input} type="file" multiple accept="image/jpeg,image/png,image/webp,image/avif,image/tiff,image/heic,image/heif,.heic,.heif,.tif,.tiff" className="hidden" aria-label="Photos of cards" tabIndex={-1}
        onChange={(event) => {
          take([...(event.target.files ?? [])]);
          event.target.value = "";
        }}
      />
    </>
  );
}
