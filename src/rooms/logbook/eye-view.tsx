"use client";

import { useEffect, useEffectEvent, useMemo, useState, type ReactNode } from "react";
import { CartesianGrid, Legend, Line, LineChart, ResponsiveContainer, Tooltip, XAxis, YAxis } from "recharts";
import { describeColour, lightnessOfValue, screenColourOfLab, type Lab } from "@/core/colour";
import { samplePhoto } from "@/core/image";
import { PAPERS } from "@/core/optics";
import {
  askEye,
  byWeek,
  ERROR_UNITS,
  errorOf,
  EYE_KINDS,
  FATES,
  nextAsked,
  type EyeAnswer,
  type EyeKind,
  type EyeQuestion,
  type SeenColour,
} from "@/core/training";
import { MIXABLE } from "@/model/paintbox";
import type { StoredLogEntry } from "@/model/logbook";
import { askFor, jsonOf } from "@/ui/ask";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import { Strip } from "@/ui/strip";
import { modelIn, useBook } from "./book";

const paper = PAPERS[0];
/** Two minutes at a time. */
const ROUND_SECONDS = 120;
/** Places that are asked about of a photo. */
const PLACES = 60;
const RADIUS = 0.012;
const KIND_WORDS: Readonly<Record<EyeKind, string>> = {
  value: "Which value?",
  warmth: "Which is warmer?",
  hue: "Which hue?",
  mix: "Which mix made this?",
  grey: "Why is it grey?",
};

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

/** A patch on neutral ground. */
function Patch({ lab, label, className = "h-40 w-56" }: { lab: Lab; label: string; className?: string }) {
  return (
    <span
      role="img"
      aria-label={label}
      className={`inline-block ${className}`}
      style={{ background: screenColourOfLab(lab).hex }}
    />
  );
}

/** A place in its photo: the ring is where it is asked; or a swatch by itself. */
function Seen({ seen, letter }: { seen: SeenColour; letter?: string }) {
  if (!seen.photoId) return <Patch lab={seen.lab} label={letter ?? "the colour asked about"} />;
  return (
    <span className="relative inline-block">
      <img src={`/api/photos/${seen.photoId}?copy=view`} alt="" className="max-h-64 w-auto" />
      <span
        role="img"
        aria-label={letter ? `the place ${letter}` : "the place asked about"}
        className="absolute size-7 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white text-center text-[0.9rem] leading-6 font-semibold text-white ring-1 ring-black [text-shadow:0_0_3px_black]"
        style={{ left: `${100 * seen.x}%`, top: `${100 * seen.y}%` }}
      >
        {letter}
      </span>
    </span>
  );
}

function Choices({
  words,
  guess,
  right,
  onGuess,
}: {
  words: readonly ReactNode[];
  guess: number | null;
  right: number;
  onGuess: (guess: number) => void;
}) {
  return (
    <ol className="flex flex-wrap gap-2">
      {words.map((word, i) => (
        <li key={i}>
          <button
            type="button"
            aria-disabled={guess !== null}
            aria-keyshortcuts={String(i + 1)}
            className={`btn ${guess !== null && i === right ? "btn-neutral" : "bg-base-100"} ${guess !== null && i === guess && i !== right ? "border-2 border-error" : ""}`}
            onClick={() => onGuess(i)}
          >
            <span className="font-normal">{i + 1}</span> {word}
            {guess !== null && i === guess && i !== right && <span className="font-normal">(your guess)</span>}
          </button>
        </li>
      ))}
    </ol>
  );
}

/** What an answer was, in words. */
function verdict(question: EyeQuestion, guess: number): string {
  const error = errorOf(question, guess);
  if (error < 0.05) return "Right.";
  if (question.kind === "warmth") return "The other one is warmer.";
  if (question.kind === "grey") return "It is not.";
  return `Off by ${error.toFixed(question.kind === "value" ? 1 : 0)} ${ERROR_UNITS[question.kind]}.`;
}

/** A question: what is shown, how it is answered, and what the answer was. */
function Question({
  question,
  guess,
  onGuess,
  nameOf,
}: {
  question: EyeQuestion;
  guess: number | null;
  onGuess: (guess: number) => void;
  nameOf: (paintId: string) => string;
}) {
  const [value, setValue] = useState(5);
  switch (question.kind) {
    case "value":
      return (
        <>
          <Seen seen={question.seen} />
          <div className="flex items-center gap-3">
            <input
              type="range"
              className="range range-sm w-72 [--range-fill:0]"
              min={0}
              max={10}
              step={0.5}
              value={value}
              disabled={guess !== null}
              aria-label="Value, 0 black to 10 white"
              onChange={(event) => setValue(Number(event.target.value))}
            />
            <output className="w-10 text-lg">{value.toFixed(1)}</output>
            <button
              type="button"
              className="btn btn-primary btn-sm"
              disabled={guess !== null}
              onClick={() => onGuess(value)}
            >
              That value
            </button>
          </div>
          {guess !== null && (
            <div className="flex items-center gap-3">
              <span className="flex">
                <Patch lab={question.seen.lab} label="the colour" className="h-12 w-20" />
                <Patch
                  lab={{ L: lightnessOfValue(question.value), a: 0, b: 0 }}
                  label="a grey of its value"
                  className="h-12 w-20"
                />
                <Patch
                  lab={{ L: lightnessOfValue(guess), a: 0, b: 0 }}
                  label="a grey of your value"
                  className="h-12 w-20"
                />
              </span>
              <p>
                It is value <b>{question.value.toFixed(1)}</b>: you said {guess.toFixed(1)}.{" "}
                <span className="quiet">The colour, its grey, yours.</span>
              </p>
            </div>
          )}
        </>
      );
    case "warmth":
      return (
        <>
          <div className="flex flex-wrap gap-4">
            {question.pair.map((seen, i) => (
              <Seen key={i} seen={seen} letter={"AB"[i]} />
            ))}
          </div>
          <Choices words={["A is warmer", "B is warmer"]} guess={guess} right={question.right} onGuess={onGuess} />
          {guess !== null && (
            <p>
              {question.pair
                .map(
                  ({ lab }, i) =>
                    `${"AB"[i]} is ${describeColour(lab).hueName} (${describeColour(lab).temperature.toFixed(0)})`,
                )
                .join(", ")}
              .
            </p>
          )}
        </>
      );
    case "hue":
      return (
        <>
          <Seen seen={question.seen} />
          <Choices words={question.words} guess={guess} right={question.right} onGuess={onGuess} />
          {guess !== null && (
            <div className="flex items-center gap-3">
              <Patch lab={question.seen.lab} label="the colour by itself" className="h-12 w-24" />
              <p>By itself it is {describeColour(question.seen.lab).hueName}.</p>
            </div>
          )}
        </>
      );
    case "mix":
      return (
        <>
          <Patch lab={question.offered[question.right]!.lab} label="the colour asked about" />
          <Choices
            words={question.offered.map(({ mix }) =>
              mix.map(({ paint, parts }) => `${parts} ${nameOf(paint.id)}`).join(" + "),
            )}
            guess={guess}
            right={question.right}
            onGuess={onGuess}
          />
          {guess !== null && (
            <div className="flex items-center gap-4">
              {question.offered.map(({ lab }, i) => (
                <span key={i} className="text-center">
                  <Patch lab={lab} label={`mix ${i + 1}`} className="h-12 w-24" />
                  <span className="quiet block">{i + 1}</span>
                </span>
              ))}
            </div>
          )}
        </>
      );
    case "grey":
      return (
        <>
          <div className="flex flex-wrap gap-4">
            {question.paints.map((paint) => (
              <figure key={paint.id}>
                <Strip mix={[{ paint, parts: 1 }]} paper={paper} width={220} height={46} label={nameOf(paint.id)} />
                <figcaption className="name-face">{nameOf(paint.id)}</figcaption>
              </figure>
            ))}
          </div>
          <p>Mixed half and half they make</p>
          <Choices words={FATES} guess={guess} right={question.right} onGuess={onGuess} />
          {guess !== null && (
            <div>
              <span className="flex" role="img" aria-label="The mixes from the one to the other">
                {question.path.map((lab, i) => (
                  <Patch key={i} lab={lab} label={`step ${i + 1}`} className="h-14 w-20" />
                ))}
              </span>
              <p className="quiet mt-1">
                The way from the one to the other: chroma{" "}
                {question.path.map((lab) => describeColour(lab).chroma.toFixed(0)).join(", ")}.
              </p>
            </div>
          )}
        </>
      );
  }
}

/** How one does, week by week, against the usual error of each kind. */
function Weeks({ answers }: { answers: readonly EyeAnswer[] }) {
  const rows = useMemo(() => byWeek(answers).map(({ week, means }) => ({ week, ...means })), [answers]);
  const dashes = ["", "6 3", "2 3", "8 3 2 3", "1 4"];
  return (
    <figure aria-label="Errors by week" className="h-64 max-w-3xl">
      <ResponsiveContainer>
        <LineChart data={rows} margin={{ left: 0, right: 16, top: 8, bottom: 4 }}>
          <CartesianGrid stroke="var(--hairline)" vertical={false} />
          <XAxis dataKey="week" tick={{ fontSize: 13, fill: "var(--quiet)" }} />
          <YAxis width={40} tick={{ fontSize: 13, fill: "var(--quiet)" }} />
          <Tooltip isAnimationActive={false} />
          <Legend wrapperStyle={{ fontSize: 13 }} />
          {EYE_KINDS.map((kind, i) => (
            <Line
              key={kind}
              dataKey={kind}
              name={`${KIND_WORDS[kind]} (${ERROR_UNITS[kind]})`}
              stroke="var(--color-base-content)"
              strokeDasharray={dashes[i]}
              dot
              connectNulls
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
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
    () =>
      [...paints.values()]
        .filter(({ status }) => MIXABLE.has(status))
        .flatMap(({ id }) => modelIn(id, { paints: [] }, book, paper.id) ?? []),
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
            <h2 className="name-face text-2xl">{KIND_WORDS[question.kind]}</h2>
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
