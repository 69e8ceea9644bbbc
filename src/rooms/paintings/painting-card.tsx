"use client";

import { Copy, FileDown, Pencil, Trash2, Users } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { paintingPage, paintingUrl } from "@/model/addresses";
import { PAPERS } from "@/core/optics";
import type { PaintModel } from "@/core/mixing";
import { faultIn } from "@/model/fault";
import { paintingDocument } from "@/model/painting";
import type { ShelvedPainting } from "@/model/shelf";
import { Strip } from "@/ui/strip";
import { changePainting, doublePainting } from "@/ui/shelf";
import { progressWords } from "./progress-words";

/** A tray's paint as far as it is drawn. */
export interface DrawnPaint {
  readonly name: string;
  readonly model: PaintModel;
}

interface PaintingCardProps {
  readonly painting: ShelvedPainting;
  readonly paints: readonly DrawnPaint[];
  /** Does what a button asks for and shows what came of it; a painting that moves is what is pointed at then. */
  readonly act: (ask: () => Promise<string | null>, id: string) => void;
  /** A teacher may hand it to all; what came of it is told by the room. */
  readonly onHandOut: ((id: string) => void) | null;
}

const DAY = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric" });
/** Strips beside each other; more paints are told by their number. */
const SHOWN_PAINTS = 8;

function Rename({ title, onName, onClose }: { title: string; onName: (title: string) => void; onClose: () => void }) {
  const [text, setText] = useState(title);
  const fault = faultIn(paintingDocument.shape.title, text.trim());
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (fault === null) onName(text.trim());
      }}
    >
      <input
        // oxlint-disable-next-line jsx-a11y/no-autofocus -- the field was asked for by the press before
        autoFocus
        aria-label={`New title of ${title}`}
        aria-invalid={fault !== null}
        className="input input-sm min-w-0 flex-1"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && onClose()}
      />
      <button type="submit" className="btn btn-sm" disabled={fault !== null}>
        Rename
      </button>
      {fault !== null && <p className="w-full text-error">{fault}</p>}
    </form>
  );
}

/** A painting on the shelf: its picture to open it, its paints, how far it is. */
export function PaintingCard({ painting, paints, act, onHandOut }: PaintingCardProps) {
  const { id, title, photoId, updatedAt } = painting;
  const [renaming, setRenaming] = useState(false);
  return (
    <article
      aria-label={title}
      id={`painting-${id}`}
      tabIndex={-1}
      className="flex flex-col border border-(--hairline) bg-base-100"
    >
      <Link prefetch={false} href={paintingPage(id)} className="group block" aria-label={`Open ${title}`}>
        <span className="block bg-[#bdbdbd] p-3">
          <img
            src={`/api/photos/${photoId}?copy=view`}
            alt=""
            loading="lazy"
            className="aspect-3/2 w-full object-contain"
          />
        </span>
      </Link>
      <div className="flex flex-1 flex-col gap-1.5 p-4">
        {renaming ? (
          <Rename
            title={title}
            onClose={() => setRenaming(false)}
            onName={(to) => {
              setRenaming(false);
              if (to !== title) act(() => changePainting(id, { title: to }), id);
            }}
          />
        ) : (
          <h2 className="name-face text-xl leading-tight">{title}</h2>
        )}
        <p className="quiet text-[0.93rem]">
          {progressWords(painting)} · {painting.demo ? "the demo" : DAY.format(updatedAt)}
        </p>
        <div className="mt-1 flex flex-wrap gap-1" aria-label="Paints laid out" role="group">
          {paints.slice(0, SHOWN_PAINTS).map(({ name, model }, i) => (
            <Strip key={i} mix={[{ paint: model, parts: 1 }]} paper={PAPERS[0]} width={72} height={18} label={name} />
          ))}
          {paints.length > SHOWN_PAINTS && (
            <span className="quiet self-end text-[0.9rem]">and {paints.length - SHOWN_PAINTS} more</span>
          )}
        </div>
        <div className="mt-auto flex flex-wrap gap-1 pt-2">
          <Link prefetch={false} href={paintingPage(id)} className="btn btn-outline btn-sm">
            Open
          </Link>
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            title="The same photo, areas, palette and mixes once more, to try something else"
            onClick={() => act(() => doublePainting(id), id)}
          >
            <Copy size={14} aria-hidden /> Double
          </button>
          <button type="button" className="btn btn-ghost btn-sm" onClick={() => setRenaming((now) => !now)}>
            <Pencil size={14} aria-hidden /> Rename
          </button>
          <a
            href={`${paintingUrl(id)}/file`}
            download
            className="btn btn-ghost btn-sm"
            aria-label={`${title} as a file`}
            title="To give to a friend or a pupil: photo, areas, palette and the paints it needs"
          >
            <FileDown size={14} aria-hidden /> As a file
          </a>
          {onHandOut && (
            <button
              type="button"
              className="btn btn-ghost btn-sm"
              title="Lays this painting out in every space of this server, with the paints that are there"
              onClick={() => onHandOut(id)}
            >
              <Users size={14} aria-hidden /> Hand to all
            </button>
          )}
          <button
            type="button"
            className="btn btn-ghost btn-sm ml-auto"
            onClick={() => act(() => changePainting(id, { binned: true }), id)}
          >
            <Trash2 size={14} aria-hidden /> Bin
          </button>
        </div>
      </div>
    </article>
  );
}
