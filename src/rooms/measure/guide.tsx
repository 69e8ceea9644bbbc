"use client";

import { FileDown, Plus, X } from "lucide-react";
import { useMemo, useState, type ReactNode } from "react";
import { ROWS } from "@/core/calibration";
import { paperById, PAPERS } from "@/core/optics";
import { type Hazard, pigmentById } from "@/core/pigments";
import { MIXABLE } from "@/model/paintbox";
import type { CardPage, SwatchCard } from "@/model/measurement";
import { Caution } from "@/ui/caution";
import { PaintPicker } from "@/ui/paint-picker";
import { Strip } from "@/ui/strip";
import { PaperOptions } from "@/ui/paper-options";
import { CardDrawing } from "./card-drawing";
import { ChoosePhotos } from "./choose-photos";
import { useTakePhotos } from "./read-photos";
import { codesOf, modelNow, useRoom } from "./room";

/** Paints that a first card suggests itself for: at hand, not yet measured. */
function firstToMeasure(paints: ReturnType<typeof useRoom>["paints"], start: string | null): string[] {
  if (start && paints.some(({ id }) => id === start)) return [start];
  return paints
    .filter(({ status, measured }) => MIXABLE.has(status) && !measured)
    .slice(0, ROWS)
    .map(({ id }) => id);
}

function Step({ number, title, children }: { number: number; title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0 space-y-3">
      <h2 className="name-face flex items-baseline gap-2 border-b border-(--hairline) pb-1 text-2xl">
        <span className="quiet text-lg">{number}</span>
        {title}
      </h2>
      {children}
    </section>
  );
}

function PrintCard({ start }: { start: string | null }) {
  const { paints, cards, addCard } = useRoom();
  const [chosen, setChosen] = useState(() => firstToMeasure(paints, start));
  const [paperId, setPaperId] = useState(PAPERS[0].id);
  const [page, setPage] = useState<CardPage>("a4");
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const paper = paperById(paperId);
  const pickable = useMemo(
    () =>
      paints.map((paint) => ({
        id: paint.id,
        name: paint.name,
        detail: `${codesOf(paint)}${paint.measured ? ` · measured ${paint.measured.on}` : ""}`,
        search: paint.maker,
        model: modelNow(paint),
      })),
    [paints],
  );
  const print = async (): Promise<void> => {
    setBusy(true);
    setFault(null);
    try {
      const response = await fetch("/api/cards", {
        method: "POST",
        keepalive: true,
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ paints: chosen, paperId }),
      });
      const body = (await response.json()) as SwatchCard & { message?: string };
      if (!response.ok) return setFault(body.message ?? "The card could not be made.");
      addCard(body);
      window.open(`/api/cards/${body.id}?page=${page}`, "_blank");
    } catch {
      setFault("Abendrot doesn't answer. Is it still running? Try again.");
    } finally {
      setBusy(false);
    }
  };
  return (
    <Step number={1} title="Print a card">
      <p className="quiet">Up to {ROWS} paints on a sheet of your watercolour paper.</p>
      <ul aria-label="Paints on the card" className="space-y-1.5">
        {chosen.map((id) => {
          const paint = paints.find((one) => one.id === id);
          return (
            paint && (
              <li key={id} className="flex items-center gap-2">
                <Strip
                  mix={[{ paint: modelNow(paint), parts: 1 }]}
                  paper={paper}
                  width={88}
                  height={22}
                  label={paint.name}
                />
                <span className="name-face min-w-0 flex-1 truncate">
                  {paint.name}{" "}
                  <span className="label-line">
                    {codesOf(paint)}
                    {paint.measured ? " · measured" : ""}
                  </span>
                </span>
                <button
                  type="button"
                  className="btn btn-square btn-ghost btn-xs"
                  aria-label={`Take ${paint.name} off the card`}
                  onClick={() => setChosen(chosen.filter((one) => one !== id))}
                >
                  <X size={14} />
                </button>
              </li>
            )
          );
        })}
      </ul>
      {chosen.length < ROWS && (
        <PaintPicker
          title="Which paint goes on the card?"
          paints={pickable}
          paper={paper}
          taken={{ ids: chosen, words: "on the card" }}
          closeOnPick
          className="btn border-(--hairline) bg-base-100 btn-sm"
          onPick={(id) => setChosen([...chosen, id])}
        >
          <Plus size={14} /> a paint
        </PaintPicker>
      )}
      <div className="grid grid-cols-[1fr_4.7rem] gap-2">
        <label>
          <span className="label-line block">Paper</span>
          <select
            className="select select-sm w-full"
            value={paperId}
            onChange={(event) => setPaperId(event.target.value)}
          >
            <PaperOptions />
          </select>
        </label>
        <label>
          <span className="label-line block">Sheet</span>
          <select
            className="select select-sm w-full"
            value={page}
            onChange={(event) => setPage(event.target.value as CardPage)}
          >
            <option value="a4">A4</option>
            <option value="letter">Letter</option>
          </select>
        </label>
      </div>
      <button
        type="button"
        className="btn btn-primary btn-sm w-full"
        disabled={busy || chosen.length === 0}
        onClick={() => void print()}
      >
        <FileDown size={15} /> Make the card (PDF)
      </button>
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      <p className="quiet text-[0.9rem]">
        The printer won&apos;t take watercolour paper? Print the{" "}
        <a className="link" href={`/api/cards/frame?page=${page}`} target="_blank" rel="noreferrer">
          cut-out frame
        </a>{" "}
        on any paper and lay it over swatches painted on your own sheet.
      </p>
      {cards.length > 0 && (
        <p className="label-line">
          Made before:{" "}
          {cards.slice(0, 6).map((card, i) => (
            <span key={card.id}>
              {i > 0 && ", "}
              <a className="link" href={`/api/cards/${card.id}?page=${page}`} target="_blank" rel="noreferrer">
                card {card.id}
              </a>{" "}
              ({card.on})
            </span>
          ))}
        </p>
      )}
    </Step>
  );
}

function PaintIt() {
  const { paints } = useRoom();
  const hazards = useMemo(
    () => [
      ...new Set(
        paints.flatMap((paint) =>
          paint.pigments.flatMap(({ pigmentId }): readonly Hazard[] => pigmentById(pigmentId).hazards ?? []),
        ),
      ),
    ],
    [paints],
  );
  return (
    <Step number={2} title="Paint it">
      <CardDrawing painted className="mx-auto h-64" />
      <ol className="list-decimal space-y-1 pl-5">
        <li>
          Four washes in a row: neat, 2 paint : 3 water, 1 : 6, 1 : 20. Count drops or brushfuls; a tenth more or less
          does no harm.
        </li>
        <li>The fifth from puddle 2, straight across the black line: it tells how opaque the paint is.</li>
        <li>
          Lay each wash once and leave it. Keep the paper between them bare: it is what everything is measured against.
        </li>
        <li>Let it dry flat until it is no longer cool to the touch. Paint dries lighter for an hour.</li>
      </ol>
      {hazards.length > 0 && <Caution />}
    </Step>
  );
}

function Photograph() {
  const { demoCard } = useRoom();
  const take = useTakePhotos();
  const [fault, setFault] = useState<string | null>(null);
  const tryDemo = async (): Promise<void> => {
    try {
      const response = await fetch("/demo/swatch-card.jpg");
      if (!response.ok) throw new Error("no demo photo");
      take([new File([await response.blob()], "swatch-card.jpg", { type: "image/jpeg" })]);
    } catch {
      setFault("The demo's photo did not arrive. Is Abendrot still running? Try again.");
    }
  };
  return (
    <Step number={3} title="Photograph it">
      <ul className="list-disc space-y-1 pl-5">
        <li>By a window in daylight, out of the sun. No lamp, no flash.</li>
        <li>
          From above, as straight as you can, all four round marks in the picture. Tilt, turn and shading are worked
          out.
        </li>
        <li>Nothing glossy: turn the sheet until no wash shines.</li>
        <li>A grey card or a colour chart, if you own one, may lie beside it.</li>
      </ul>
      <ChoosePhotos words="Photos of cards" className="btn btn-primary w-full" />
      <p className="quiet text-[0.9rem]">
        One photo or ten: drop them anywhere on this page. Each card is known by its printed number.
      </p>
      {demoCard !== null && (
        <p className="quiet text-[0.9rem]">
          No card at hand?{" "}
          <button type="button" className="link" onClick={() => void tryDemo()}>
            Read the demo&apos;s card {demoCard}
          </button>
          : a simulated photo of four paints of the demo box, bloom and all.
        </p>
      )}
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
    </Step>
  );
}

/** From print to photo: what to do before there is anything to read. */
export function Guide({ start }: { start: string | null }) {
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-1 gap-x-10 gap-y-8 px-6 py-6 lg:grid-cols-3">
      <PrintCard start={start} />
      <PaintIt />
      <Photograph />
    </div>
  );
}
