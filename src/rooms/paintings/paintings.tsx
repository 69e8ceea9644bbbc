"use client";

import { unpacked } from "@/ui/unpacked";
import { Undo2 } from "lucide-react";
import { paintModel } from "@/core/mixing";
import { useMemo, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { z } from "zod";
import { paintingPage, paintingUrl } from "@/model/addresses";
import { counted } from "@/model/text";
import type { Painter } from "@/model/sign-in";
import type { ShelvedPainting } from "@/model/shelf";
import type { StockedPaint } from "@/storage/ports";
import { answerOf } from "@/ui/ask";
import { ConfirmDialog } from "@/ui/confirm-dialog";
import { WindowedGrid } from "@/ui/windowed-grid";
import { RoomHeader } from "@/ui/room-header";
import { changePainting, readShelf, removePainting } from "@/ui/shelf";
import { BringPainting } from "./bring-painting";
import { SignedIn } from "@/ui/signed-in";
import { PaintingCard, type DrawnPaint } from "./painting-card";

const handedOut = z.object({ given: z.int(), failed: z.int() });

interface PaintingsProps {
  readonly shelf: readonly ShelvedPainting[];
  readonly paints: readonly StockedPaint[];
  /** Whose space this is on a server; null on one's own machine. */
  readonly painter: Painter | null;
}

type Act = (ask: () => Promise<string | null>, id: string) => void;

/** What was put in the bin: it stays until it is taken out or removed for good, which is asked about first. */
function Bin({ binned, act }: { binned: readonly ShelvedPainting[]; act: Act }) {
  const confirm = useRef<HTMLDialogElement>(null);
  const [leaving, setLeaving] = useState<ShelvedPainting | null>(null);
  return (
    <section aria-label="Bin" className="mt-10 border-t border-(--hairline) pt-5">
      <h2 className="name-face text-2xl">In the bin</h2>
      <ul className="mt-2 max-w-3xl">
        {binned.map((painting) => (
          <li
            key={painting.id}
            id={`painting-${painting.id}`}
            tabIndex={-1}
            className="flex items-center gap-3 border-b border-(--hairline) py-2 small:flex-wrap"
          >
            <img
              src={`/api/photos/${painting.photoId}?copy=small`}
              alt=""
              loading="lazy"
              className="h-10 w-16 object-cover"
            />
            <span className="name-face min-w-0 flex-1 truncate text-lg">{painting.title}</span>
            <button
              type="button"
              className="btn btn-outline btn-sm"
              aria-label={`Take out ${painting.title}`}
              onClick={() => act(() => changePainting(painting.id, { binned: false }), painting.id)}
            >
              <Undo2 size={14} aria-hidden /> Take out
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              aria-label={`Remove ${painting.title} for good`}
              onClick={() => {
                setLeaving(painting);
                confirm.current?.showModal();
              }}
            >
              Remove for good …
            </button>
          </li>
        ))}
      </ul>
      <ConfirmDialog
        dialog={confirm}
        label="Remove for good"
        question={`Remove “${leaving?.title ?? ""}” for good?`}
        no="Keep it"
        yes="Remove it"
        danger
        onYes={() => leaving && act(() => removePainting(leaving.id), leaving.id)}
      >
        Its areas, recipes and palette go with it, and its photo when Abendrot is next started a day from now or later,
        unless something else uses it. This can&apos;t be undone.
      </ConfirmDialog>
    </section>
  );
}

/** All paintings as pictures, last changed first, and the bin below. */
function Paintings({ shelf: read, paints, painter }: PaintingsProps) {
  const [shelf, setShelf] = useState(read);
  const asked = useRef<Promise<void>>(Promise.resolve());
  const [pending, setPending] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const [handed, setHanded] = useState<string | null>(null);
  const drawn = useMemo(
    () =>
      new Map(
        paints.map((paint): [string, DrawnPaint] => [
          paint.id,
          { name: paint.name, model: paintModel(paint.id, paint.pigments, paint.tintingStrength, paint.measured) },
        ]),
      ),
    [paints],
  );
  const carryOut = async (ask: () => Promise<string | null>, id: string): Promise<void> => {
    const wrong = await ask();
    const now = wrong ?? (await readShelf());
    flushSync(() => {
      if (typeof now !== "string") setShelf(now);
      setFault(typeof now === "string" ? now : null);
      setPending((n) => n - 1);
    });
    // What was pressed went with its row: whoever goes by keys stays with the painting.
    if (document.activeElement === document.body) document.getElementById(`painting-${id}`)?.focus();
  };
  // One after the other, so that the last answer is what is stored. The room stays as it is meanwhile: nothing that is
  // pressed is lost.
  const act: Act = (ask, id) => {
    setPending((n) => n + 1);
    asked.current = asked.current.then(() => carryOut(ask, id));
  };
  const handOut = async (id: string): Promise<void> => {
    setPending((n) => n + 1);
    const answer = await answerOf(`${paintingUrl(id)}/hand-out`, { method: "POST" });
    setPending((n) => n - 1);
    if (typeof answer === "string") return setFault(answer);
    const { given, failed } = handedOut.parse(await answer.json());
    setFault(null);
    setHanded(`It lies with ${counted(given, "painter")} now${failed > 0 ? `; ${failed} could not be reached` : ""}.`);
  };
  const here = shelf.filter(({ binnedAt, away }) => binnedAt === null && !away);
  const away = shelf.filter((painting) => painting.binnedAt === null && painting.away);
  const binned = shelf.filter(({ binnedAt }) => binnedAt !== null);
  return (
    <div className="min-h-dvh">
      <RoomHeader room="Paintings" />
      <main className="mx-auto max-w-7xl px-6 py-6" aria-busy={pending > 0}>
        {fault !== null && (
          <p role="alert" className="mb-4 text-error">
            {fault}
          </p>
        )}
        {handed !== null && (
          <p role="status" className="mb-4">
            {handed}
          </p>
        )}
        {here.length === 0 && (
          <p className="name-face text-lg">
            No painting lies here.{" "}
            <a className="link" href="/">
              Bring a photo on the desk
            </a>
            {binned.length > 0 && ", or take one out of the bin"}.
          </p>
        )}
        <div className="mb-4 -ml-2 flex flex-wrap items-start gap-x-2 gap-y-1">
          {here.some(({ colours }) => colours > 0) && (
            <a className="btn btn-ghost btn-sm" href="/pack">
              Pack one box for several of these
            </a>
          )}
          <a className="btn btn-ghost btn-sm" href="/keeping">
            Safe keeping: save everything, move house
          </a>
          <BringPainting />
          {painter && <SignedIn painter={painter} />}
        </div>
        <WindowedGrid label="Paintings" items={here} keyOf={({ id }) => id} leastPx={320} gapPx={[24, 24]} rowPx={420}>
          {(painting) => (
            <PaintingCard
              painting={painting}
              paints={painting.paintIds.flatMap((id) => drawn.get(id) ?? [])}
              act={act}
              onHandOut={painter?.teacher ? (id) => void handOut(id) : null}
            />
          )}
        </WindowedGrid>
        {away.map(({ id, title }) => (
          <p key={id} role="note" className="quiet mt-6">
            The demo is put away with its paints:{" "}
            <a className="link" href={paintingPage(id)}>
              look at “{title}”
            </a>
            , or{" "}
            <a className="link" href="/paintbox">
              bring its paints back in the paintbox
            </a>
            .
          </p>
        ))}
        {binned.length > 0 && <Bin binned={binned} act={act} />}
      </main>
    </div>
  );
}

/** The same, laid out with packed properties. */
export const PackedPaintings = unpacked(Paintings);
