"use client";

import { useEffect, useState } from "react";
import { isForField } from "./undo";

/** Listens for files dropped anywhere on the page or pasted into it; true while some are held over it. */
export function useDroppedFiles(bring: (files: readonly File[]) => void): boolean {
  const [over, setOver] = useState(false);
  useEffect(() => {
    const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes("Files") ?? false;
    const onDragOver = (event: DragEvent): void => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const onDragLeave = (event: DragEvent): void => {
      if (event.relatedTarget === null) setOver(false);
    };
    const take = (event: Event, data: DataTransfer | null): void => {
      const files = [...(data?.files ?? [])];
      if (files.length === 0) return;
      event.preventDefault();
      bring(files);
    };
    const onDrop = (event: DragEvent): void => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(false);
      take(event, event.dataTransfer);
    };
    const onPaste = (event: ClipboardEvent): void => {
      if (!isForField(event)) take(event, event.clipboardData);
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
  }, [bring]);
  return over;
}
