"use client";

import { useEffect, useEffectEvent, useMemo, useState } from "react";
import { samplePhoto } from "@/core/image";
import { PAPERS } from "@/core/optics";
import { askEye, errorOf, nextAsked, type EyeAnswer, type EyeQuestion, type SeenColour } from "@/core/training";
import type { StoredLogEntry } from "@/model/logbook";
import { isMixable } from "@/model/paintbox";
import { askFor, jsonOf } from "@/ui/ask";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import { modelIn, useBook } from "./book";
import { Question, verdict } from "./eye-question";
import { Weeks } from "./eye-weeks";
import { QUESTION_WORDS } from "./words";

const paper = PAPERS[0];
/** Two minutes at a time. */
const ROUND_SECONDS = 120;
/** Places that are asked about of a photo. */
const PLACES = 60;
const RADIUS = 0.012;

/** Places of a painting's photo that can be asked about, once it is there. */
function usePlaces(photoId: string | null): readonly SeenColour[] {
  const [places, setPlaces] = useState<readonly SeenColour[]>([]);
  useEffect(() => {
    if (!photoId) return;
    let stale = false;
    decodeWorkingCopy(photoId).then(
      (pixels) => {
        if (stale) return;
        const drawn = Array.from({ length: PLACES }, (): SeenColour | null => {
          const [x, y] = [0.05 + 0.9 * Math.random(), 0.05 + 0.9 * Math.random()];
          const { lab, untrusted } = samplePhoto(pixels, x * pixels.width, y * pixels.height, RADIUS * pixels.width);
          return untrusted > 0.2 ? null : { lab, photoId, x, y };
        });
        setPlaces(drawn.flatMap((one) => one ?? []));
      },
      // Without the photo the swatches of the book are asked about.
      () => {},
    );
    return () => {
      stale = true;
    };
  }, [photoId]);
  return places;
}

/** The eye trained for two minutes: guess, then see; asked where one errs most. */
export function EyeView({ entries, known }: { entries: readonly StoredLogEntry[]; known: readonly EyeAnswer[] }) {
  const book = useBook();
  const { titles, paints } = book;
  const [answers, setAnswers] = useState(known);
  const [question, setQuestion] = useState<EyeQuestion | null>(null);
  const [guess, setGuess] = useState<number | null>(null);
  const [left, setLeft] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const places = usePlaces(titles[0]?.photoId ?? null);
  const seen = useMemo(
    () => [
      ...places,
      ...entries.flatMap(({ document }) =>
        document.mixes.flatMap(({ read }): SeenColour[] =>
          read && read.by !== "value" ? [{ lab: read.lab, photoId: null, x: 0, y: 0 }] : [],
        ),
      ),
    ],
    [places, entries],
  );
  const models = useMemo(
    () => [...paints.values()].filter(isMixable).flatMap(({ id }) => modelIn(id, { paints: [] }, book, paper.id) ?? []),
    [paints, book],
  );
  const running = left > 0;
  const ask = (so: readonly EyeAnswer[]): void => {
    setGuess(null);
    for (let i = 0; i < 8; i++) {
      const next = askEye(nextAsked(so, new Date(), Math.random), seen, models, paper, Math.random);
      if (next) return setQuestion(next);
    }
    setQuestion(null);
    setLeft(0);
    setFault("There is nothing to ask about yet: a painting with its photo, or three paints, are needed.");
  };
  const begin = (): void => {
    setFault(null);
    setLeft(ROUND_SECONDS);
    ask(answers);
  };
  const answer = (with_: number): void => {
    if (!question || guess !== null) return;
    setGuess(with_);
    const { kind, bucket } = question;
    const given = { kind, bucket, error: errorOf(question, with_) };
    setAnswers((all) => [...all, { ...given, at: new Date() }]);
    void askFor("/api/eye", jsonOf("POST", { id: crypto.randomUUID(), ...given })).then(setFault);
  };
  const goOn = (): void => (left > 0 ? ask(answers) : setQuestion(null));
  useEffect(() => {
    if (!running) return;
    const clock = setInterval(() => setLeft((seconds) => Math.max(0, seconds - 1)), 1000);
    return () => clearInterval(clock);
  }, [running]);
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (!question || document.querySelector("dialog[open]")) return;
    const n = Number(event.key);
    if (question.kind !== "value" && guess === null && n >= 1 && n <= 4) answer(n - 1);
    else if (event.key === "Enter" && guess !== null) {
      event.preventDefault();
      goOn();
    }
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent): void => onKey(event);
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, []);
  const nameOf = (id: string): string => paints.get(id)?.name ?? "a paint";
  return (
    <section aria-label="Training the eye" className="max-w-4xl space-y-4">
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      {question ? (
        <div className="space-y-4 bg-(--photo-ground) p-5 text-(--photo-ink)">
          <div className="flex items-baseline gap-4">
            <h2 className="name-face text-2xl">{QUESTION_WORDS[question.kind]}</h2>
            <span className="ml-auto" role="timer">
              {left > 0 ? `${left} seconds left` : "time is up: this was the last"}
            </span>
          </div>
          <div className="space-y-4">
            <Question
              key={answers.length - (guess === null ? 0 : 1)}
              {...{ question, guess, nameOf }}
              onGuess={answer}
            />
          </div>
          {guess !== null && (
            <div className="flex items-center gap-3">
              <p role="status">{verdict(question, guess)}</p>
              <button type="button" className="btn btn-primary btn-sm" onClick={goOn}>
                {left > 0 ? "Next" : "Done"} <span className="font-normal opacity-80">Enter</span>
              </button>
            </div>
          )}
        </div>
      ) : (
        <>
          <p className="max-w-2xl leading-snug">
            Guess first, then see: values, warm and cool, hues, mixes, in your own photo and with your own paints. Two
            minutes; what you err in comes back sooner. Keys 1 to 4 answer, Enter goes on.
          </p>
          <button type="button" className="btn btn-primary" onClick={begin}>
            Two minutes
          </button>
        </>
      )}
      {!question && answers.length > 0 && (
        <>
          <h2 className="name-face text-2xl">Your errors, week by week</h2>
          <Weeks answers={answers} />
        </>
      )}
    </section>
  );
}
