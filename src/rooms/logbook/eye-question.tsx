"use client";

import { useState, type ReactNode } from "react";
import { describeColour, lightnessOfValue, screenColourOfLab, type Lab } from "@/core/colour";
import { PAPERS } from "@/core/optics";
import { ERROR_UNITS, errorOf, FATES, type EyeQuestion, type SeenColour } from "@/core/training";
import { Strip } from "@/ui/strip";

const paper = PAPERS[0];

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
export function verdict(question: EyeQuestion, guess: number): string {
  const error = errorOf(question, guess);
  if (error < 0.05) return "Right.";
  if (question.kind === "warmth") return "The other one is warmer.";
  if (question.kind === "grey") return "It is not.";
  return `Off by ${error.toFixed(question.kind === "value" ? 1 : 0)} ${ERROR_UNITS[question.kind]}.`;
}

/** A question: what is shown, how it is answered, and what the answer was. */
export function Question({
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
