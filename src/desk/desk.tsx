"use client";

import { useEffect, useMemo, useState } from "react";
import type { PaintEntry } from "@/db/paintbox-document";
import type { PaintingTitle, StoredPainting } from "@/db/paintings";
import { isForField, useUndoKeys } from "@/ui/undo";
import { useAutosave } from "@/ui/autosave";
import { createDeskStore, DeskProvider, useDesk, useSelectedArea, type DeskStore } from "./desk-store";
import { Header } from "./header";
import { knownPaint, PaintsProvider } from "./paints";
import { AreaDetail } from "./panel/area-detail";
import { AreaList } from "./panel/area-list";
import { SampleCard } from "./panel/sample-card";
import { PhotoPane } from "./photo/photo-pane";
import { Tray } from "./tray/tray";

interface DeskProps {
  readonly painting: StoredPainting;
  readonly paints: readonly PaintEntry[];
  readonly titles: readonly PaintingTitle[];
}

function Panel() {
  const area = useSelectedArea();
  const taken = useDesk((s) => s.taken);
  if (taken) return <SampleCard key={JSON.stringify(taken.sample)} taken={taken} />;
  return area ? <AreaDetail key={area.id} area={area} /> : <AreaList />;
}

/** Escape goes back to all areas. */
function useEscape(): void {
  const select = useDesk((s) => s.select);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === "Escape" && !isForField(event)) select(null);
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [select]);
}

function OpenDesk({ painting, titles, store }: Omit<DeskProps, "paints"> & { store: DeskStore }) {
  const save = useAutosave(`/api/paintings/${painting.id}`, painting.revision, store);
  useUndoKeys(store.temporal);
  useEscape();
  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden">
      <Header id={painting.id} titles={titles} save={save} />
      <main className="grid min-h-0 grid-cols-[minmax(0,1fr)_430px]">
        <h1 className="sr-only">{painting.document.title}</h1>
        <PhotoPane photo={painting.photo} />
        <aside aria-label="Present step" className="min-h-0 overflow-x-hidden overflow-y-auto border-l border-(--hairline) bg-base-100">
          <Panel />
        </aside>
      </main>
      <Tray />
    </div>
  );
}

/** The desk: photo left, present step right, tray along the bottom. */
export function Desk({ painting, paints, titles }: DeskProps) {
  const [store] = useState(() => createDeskStore(painting.document));
  const known = useMemo(() => new Map(paints.map((paint) => [paint.id, knownPaint(paint)])), [paints]);
  return (
    <DeskProvider value={store}>
      <PaintsProvider value={known}>
        <OpenDesk painting={painting} titles={titles} store={store} />
      </PaintsProvider>
    </DeskProvider>
  );
}
