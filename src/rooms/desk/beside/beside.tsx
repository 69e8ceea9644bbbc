"use client";

import { Camera, ListChecks } from "lucide-react";
import { use, useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { BESIDE_URL, besideNow, besidePaintingUrl } from "@/model/beside";
import type { LearnedBook } from "@/model/logbook";
import { mergePaintings } from "@/model/merge";
import type { PaintingDocument } from "@/model/painting";
import type { StockedPaint, StoredPainting } from "@/storage/ports";
import { PHOTO_TYPES } from "@/ui/photo-types";
import { allowPlainHttp } from "@/ui/plain-http";
import { useAutosave } from "@/ui/saving/autosave";
import { SaveWords } from "@/ui/saving/save-words";
import { uploadBesidePhoto } from "@/ui/upload";
import { OnDesk, Studied } from "../desk";
import { createDeskStore, useDesk } from "../desk-store";
import { Easel } from "../easel/easel";
import { OpenPaintingProvider } from "../open-painting";
import { PhotoProvider, useOpenedPhoto } from "../photo-study";
import { AmountsView } from "../plan-step/amounts-view";
import { PlanContext } from "../plan-step/use-plan";

allowPlainHttp();

interface BesideProps {
  readonly painting: StoredPainting;
  /** A word for what stands in the painting, apart from the ticks. */
  readonly content: string;
  readonly paints: readonly StockedPaint[];
  readonly learned: LearnedBook | null;
}

/** How often this screen looks whether the desk has changed, ms. */
const LOOK_MS = 3000;

/**
 * Lays everything out anew when another painting lies on the desk, or something in this one has been changed there; and
 * when other washes are ticked off than here, while nothing of this screen's is on its way.
 */
function useFollowing(id: string, content: string, ticked: () => number | null): void {
  const tickedHere = useEffectEvent(ticked);
  useEffect(() => {
    const look = async (): Promise<void> => {
      const before = tickedHere();
      const answer = await fetch(BESIDE_URL, { cache: "no-store" }).catch(() => null);
      if (answer?.status === 403) return window.location.reload();
      const now = answer?.ok ? besideNow.safeParse(await answer.json()).data : null;
      // What was ticked off meanwhile is not what was answered about.
      const here = tickedHere() === before ? before : null;
      if (now && (now.paintingId !== id || now.content !== content || (here !== null && now.ticked !== here)))
        window.location.reload();
    };
    const timer = setInterval(() => void look(), LOOK_MS);
    return () => clearInterval(timer);
  }, [id, content]);
}

/** Takes a photo for the logbook. */
function TakePhoto() {
  const input = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState<string | null>(null);
  const send = async (file: File): Promise<void> => {
    setWords("The photo goes …");
    const sent = await uploadBesidePhoto(file, () => {});
    setWords("message" in sent ? sent.message : "In the logbook");
  };
  return (
    <span className="flex items-center gap-3">
      {words && <span role="status">{words}</span>}
      <input
        ref={input}
        type="file"
        accept={PHOTO_TYPES}
        capture="environment"
        hidden
        aria-label="Photo for the logbook"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = "";
          if (file) void send(file);
        }}
      />
      <button type="button" className="btn" onClick={() => input.current?.click()}>
        <Camera size={18} aria-hidden /> Photo for the logbook
      </button>
    </span>
  );
}

function Screen({ title }: { title: string }) {
  const easel = useDesk((s) => s.easel);
  const paintBy = useDesk((s) => s.paintBy);
  const known = use(PlanContext);
  const planned = known !== null && known.plan.washes.length > 0;
  return (
    <main className="mx-auto min-h-dvh max-w-3xl px-6 py-5 text-[1.15rem]">
      <header className="mb-4 flex flex-wrap items-center gap-4">
        <h1 className="name-face mr-auto text-3xl">{title}</h1>
        <TakePhoto />
        {planned && (
          <button type="button" className="btn btn-primary" onClick={() => paintBy(true)}>
            <ListChecks size={18} aria-hidden /> Paint by the plan
          </button>
        )}
      </header>
      {known && <AmountsView />}
      {known && !planned && <p>Nothing is planned yet: mix the areas on the desk.</p>}
      {easel && planned && <Easel beside={<TakePhoto />} />}
    </main>
  );
}

const titleOf = ({ title }: PaintingDocument): string => title;

/** The painting on the desk as a second screen shows it: its puddles, and the view to paint by. */
export function Beside({ painting, content, paints, learned }: BesideProps) {
  const [store] = useState(() => {
    const made = createDeskStore(painting.document);
    made.getState().goTo("plan");
    made.getState().paintBy(true);
    return made;
  });
  const saving = useAutosave<PaintingDocument>({
    url: besidePaintingUrl(painting.id),
    revision: painting.revision,
    store,
    merge: mergePaintings,
    title: titleOf,
    photoId: null,
  });
  const saved = saving.state.state === "saved";
  useFollowing(painting.id, content, () => (saved ? store.getState().document.plan.sat.length : null));
  const photo = useOpenedPhoto(painting.photo);
  const open = useMemo(() => ({ id: painting.id, saved }), [painting.id, saved]);
  return (
    <OnDesk store={store} paints={paints} boxes={[]} learned={learned}>
      <PhotoProvider value={photo}>
        <OpenPaintingProvider value={open}>
          <Studied photo={photo}>
            <Screen title={painting.document.title} />
            {saving.state.state !== "saved" && (
              <p className="fixed bottom-2 left-4 z-50 rounded-box bg-base-100 px-3 py-1">
                <SaveWords state={saving.state} refused={null} />
              </p>
            )}
          </Studied>
        </OpenPaintingProvider>
      </PhotoProvider>
    </OnDesk>
  );
}
