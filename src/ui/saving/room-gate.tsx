"use client";

import { useRouter } from "next/navigation";
import { useEffect, useState, type ReactNode } from "react";
import type { PaintingDocument } from "@/model/painting";
import { Opening } from "../opening";
import { tellTrouble, TroubleLine } from "../trouble";
import { ConflictCard } from "./conflict-card";
import { PAINTBOX_URL, paintingPage } from "@/model/addresses";
import { deliverLeftBehind, keepAsCopy, outbox, putInPlace, type LeftBehind } from "./left-behind";
import { arrived, isOutdated, isSomethingUnsent, sentByOthers, trustNextReading } from "./autosave-queues";

/** Readings that this window has shown: one that comes again is the router's memory, not what is stored. */
const shown = new Set<string>();

const MOST_WAITED_MS = 4000;

const when = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", hour: "2-digit", minute: "2-digit" });

function LeftCard({ left, onDone }: { left: LeftBehind; onDone: () => void }) {
  const { unsent, message, gone } = left;
  const { photoId } = unsent;
  return (
    <ConflictCard
      title="Changes that were not stored"
      onTake={
        gone || !left.stored
          ? undefined
          : async () => {
              if (!(await putInPlace(left))) return "It was changed once more meanwhile. Load the page again.";
              onDone();
              return null;
            }
      }
      onCopy={
        photoId === null
          ? undefined
          : async () => {
              const made = await keepAsCopy(photoId, unsent.document as PaintingDocument);
              if ("message" in made) return made.message;
              await outbox.drop(unsent.writer);
              window.location.assign(paintingPage(made.id));
              return null;
            }
      }
      onLetGo={async () => {
        await outbox.drop(unsent.writer);
        onDone();
        return null;
      }}
      letGoWords="Let them go"
    >
      <p>
        A window that was closed on {when.format(unsent.at)} had changed “{unsent.title}”. {message} What it changed is
        kept in this browser until you decide.
      </p>
    </ConflictCard>
  );
}

/**
 * The door of every room: what is shown is what is stored, however the room is reached. A reading
 * that was shown before, or that is older than a save this window knows of, is asked for anew; what
 * closed windows left unsent is sent, and offered where it can't be.
 */
export function RoomGate({
  reading,
  revisions,
  own,
  children,
}: {
  /** Which reading of the store this is. */
  reading: string;
  /** Address and revision of each document that was read. */
  revisions: Readonly<Record<string, number>>;
  /** Address of the document that the room changes, or of all that it does; none for a room that changes none. */
  own?: string;
  children: ReactNode;
}) {
  const router = useRouter();
  const [old] = useState(() => shown.has(reading) || isOutdated(revisions) || isSomethingUnsent());
  /** Nothing can be typed before it is known that this reading stays: it would go with it. */
  const [entered, setEntered] = useState(false);
  const [left, setLeft] = useState<readonly LeftBehind[]>([]);
  useEffect(() => {
    let gone = false;
    const readAnew = (): void => {
      trustNextReading(revisions);
      router.refresh();
    };
    const enter = async (): Promise<void> => {
      if (old) {
        await sentByOthers();
        return readAnew();
      }
      shown.add(reading);
      const concerned = Object.keys(revisions);
      await arrived(concerned);
      if (isOutdated(revisions)) return readAnew();
      const delivered = await deliverLeftBehind(concerned);
      if (gone) return;
      // A painting that is gone is offered wherever one is; other changes in their own room.
      setLeft(
        delivered.left.filter(
          ({ unsent: { url }, gone: lost }) =>
            url === own || (own !== undefined && url.startsWith(`${own}/`)) || (lost && own !== PAINTBOX_URL),
        ),
      );
      if (delivered.stored.some((url) => url in revisions)) readAnew();
      else setEntered(true);
    };
    enter().catch((error: unknown) => {
      tellTrouble("What closed windows left could not be looked for", error);
      setEntered(true);
    });
    // A server or another window that keeps this waiting doesn't keep the painter out.
    const late = setTimeout(() => setEntered(true), MOST_WAITED_MS);
    return () => {
      gone = true;
      clearTimeout(late);
    };
    // A reading never changes: the gate is keyed by it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  useEffect(() => {
    // A page that the browser took out of its own memory shows what was stored when it was left.
    const onPageShow = (event: PageTransitionEvent): void => {
      if (event.persisted) window.location.reload();
    };
    window.addEventListener("pageshow", onPageShow);
    return () => window.removeEventListener("pageshow", onPageShow);
  }, []);
  if (old) return <Opening />;
  const done = (): void => {
    setLeft((list) => list.slice(1));
    router.refresh();
  };
  return (
    <>
      <div inert={!entered} className="contents">
        {children}
      </div>
      <TroubleLine />
      {left.length > 0 && <LeftCard key={left[0]!.unsent.writer} left={left[0]!} onDone={done} />}
    </>
  );
}
