"use client";

import { Check, Moon, SkipForward, Sun, Undo2, X } from "lucide-react";
import { useEffect, useEffectEvent, useRef, useState, type ReactNode } from "react";
import { washStrengthOf, waterWords } from "@/core/optics";
import { brushFor, coatsOf } from "@/core/planning";
import { LETTERS, LIMITS } from "@/model/limits";
import { cutText } from "@/model/text";
import { Caution } from "@/ui/caution";
import { JudgingPair } from "@/ui/judging-pair";
import { KeepInLogbook } from "@/ui/keep-in-logbook";
import { partsWord } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import { useLogEntries } from "../keep";
import { useMixedColours, type MixedColour } from "../mixed";
import { namedParts, usePaints } from "../paints";
import { usePlan } from "../plan-step/use-plan";
import { useWashNames } from "../plan-step/wash-names";
import { mindWords } from "../plan-step/mind-words";
import { brushWords, minutesWords, TASK_WORDS, washesWords } from "../plan-step/words";
import { PlacePicture } from "./place-picture";
import { useAwake, useSitting } from "./use-sitting";

/** Time left as a clock shows it, "12:05". */
const leftWords = (ms: number): string => {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
};

/** One colour of a wash as it is mixed and laid, to be read from three steps away. */
function ColourToLay({ colour }: { colour: MixedColour }) {
  const paints = usePaints();
  const { plan } = usePlan();
  const parts = colour.recipe && namedParts(colour.recipe, paints);
  if (!parts || !colour.laid) return null;
  const { waterParts } = coatsOf(plan.washes, colour.id, colour.laid.waterParts);
  return (
    <li className="flex items-center gap-5">
      <JudgingPair wanted={colour.lab} mix={colour.laid.dry} className="h-24 w-36 shrink-0" />
      <p className="min-w-0 leading-tight">
        <span className="name-face block text-[2.1rem]">
          {parts.map((part, i) => (
            <span key={part.paint.id}>
              {i > 0 && " + "}
              <span className="whitespace-nowrap">
                <strong>{partsWord(part.parts)}</strong> {part.name}
              </span>
            </span>
          ))}
        </span>
        <span className="block text-[1.45rem]">
          {washStrengthOf(waterParts).word}, {waterWords(waterParts)}
        </span>
      </p>
    </li>
  );
}

function BigKey({
  children,
  onClick,
  disabled = false,
  main = false,
}: {
  children: ReactNode;
  onClick: () => void;
  disabled?: boolean;
  main?: boolean;
}) {
  return (
    <button
      type="button"
      className={`btn h-20 rounded-box text-[1.35rem] ${main ? "flex-[3] btn-primary" : "flex-1 btn-outline bg-base-100 text-base-content disabled:opacity-50"}`}
      disabled={disabled}
      data-main={main || undefined}
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** Keeps the painting as it was painted as a page of the logbook. */
function KeepSitting({ title }: { title: string }) {
  const colours = useMixedColours();
  const palette = useDesk((s) => s.document.palette);
  const entryOf = useLogEntries();
  return (
    <div className="text-[1.15rem]">
      <KeepInLogbook
        words="Keep it in the logbook"
        make={() =>
          entryOf(
            "finished",
            cutText(title, LETTERS.title),
            colours.slice(0, LIMITS.logMixes).map((colour) => ({ colour })),
            { paintIds: palette },
          )
        }
      />
    </div>
  );
}

/**
 * The view to paint by: one wash at a time over the whole screen, a few large keys, and the space bar.
 * @param beside on a second screen: what stands in its head, and nothing that only the desk may do
 */
export function Easel({ beside }: { beside?: ReactNode }) {
  const { plan } = usePlan();
  const names = useWashNames();
  const areas = useDesk((s) => s.document.areas);
  const title = useDesk((s) => s.document.title);
  const paintBy = useDesk((s) => s.paintBy);
  const sitting = useSitting();
  const [dim, setDim] = useState(false);
  const dialog = useRef<HTMLDialogElement>(null);
  useAwake();
  useEffect(() => {
    dialog.current?.showModal();
    dialog.current?.querySelector<HTMLElement>("[data-main]")?.focus();
  }, []);
  const { shown, now, dryAtMs, waitsFor, meanwhile, finished } = sitting;
  const wash = plan.washes.find(({ key }) => key === shown);
  const waits = shown === sitting.present && dryAtMs !== null;
  const go = (): void => (waits ? sitting.isDry() : sitting.note("done"));
  const onSpace = useEffectEvent(() => {
    if (wash) go();
  });
  // The space bar counts wherever the focus is: a key that has just gone out would lose it.
  useEffect(() => {
    const isSpace = (event: KeyboardEvent): boolean => {
      if (event.key !== " ") return false;
      event.preventDefault();
      return !event.repeat;
    };
    const onKeyDown = (event: KeyboardEvent): void => {
      if (isSpace(event)) onSpace();
    };
    window.addEventListener("keydown", onKeyDown);
    // A pressed button answers to the key's coming up.
    window.addEventListener("keyup", isSpace);
    return () => {
      window.removeEventListener("keydown", onKeyDown);
      window.removeEventListener("keyup", isSpace);
    };
  }, []);
  const next = plan.washes.find(({ key }) => key !== shown && (key === sitting.present || meanwhile.includes(key)));
  return (
    <dialog
      ref={dialog}
      aria-label="Painting by the plan"
      data-dim={dim || undefined}
      className="fixed inset-0 m-0 flex h-dvh max-h-none w-full max-w-none flex-col border-0 bg-(--photo-ground) p-0 text-(--photo-ink) data-dim:brightness-50"
      onClose={() => paintBy(false)}
    >
      <div className="flex items-center gap-4 px-6 pt-4 text-[1.1rem]">
        <span className="name-face truncate text-[1.3rem]">{title}</span>
        <span className="ml-auto whitespace-nowrap" role="status">
          {finished} of {washesWords(plan.washes.length)}
        </span>
        <button
          type="button"
          className="btn btn-square btn-ghost"
          aria-label={dim ? "Brighter" : "Dimmer"}
          title={dim ? "Brighter" : "Dimmer"}
          onClick={() => setDim(!dim)}
        >
          {dim ? <Sun size={22} aria-hidden /> : <Moon size={22} aria-hidden />}
        </button>
        {beside}
        <button
          type="button"
          className="btn btn-square btn-ghost"
          aria-label={beside ? "To the puddles" : "Back to the desk"}
          title={beside ? "To the puddles" : "Back to the desk (Esc)"}
          onClick={() => dialog.current?.close()}
        >
          <X size={24} aria-hidden />
        </button>
      </div>
      {wash ? (
        <div className="grid min-h-0 flex-1 grid-cols-[11fr_9fr] gap-8 px-6 py-4 portrait:grid-cols-1 portrait:grid-rows-[9fr_11fr]">
          <div className="relative min-h-0 min-w-0">
            <PlacePicture
              region={areas.find(({ id }) => id === wash.areaId)?.region ?? null}
              label={`Where ${names.nameOf(wash.key)} lies in the picture`}
            />
          </div>
          <section
            aria-label="This wash"
            className="min-h-0 space-y-4 overflow-y-auto rounded-box bg-base-100 p-6 text-base-content"
          >
            <div>
              <h2 className="name-face text-[3rem] leading-none">
                <span className="quiet mr-3 text-[1.6rem]">{names.markOf(wash.key)}</span>
                {names.nameOf(wash.key)}
              </h2>
              <p className="mt-2 text-[1.45rem]">
                {TASK_WORDS[wash.task]}
                {wash.colourIds.length > 0 &&
                  `, ${brushWords(brushFor(wash.areaCm2))}, about ${minutesWords(wash.minutes)}`}
              </p>
            </div>
            {waits && (
              <p className="rounded-box border border-(--hairline) p-4 text-[1.3rem]" role="timer">
                {names.nameOf(waitsFor!)} is dry in{" "}
                <strong className="text-[2.2rem]">{leftWords(dryAtMs - now)}</strong>
              </p>
            )}
            <ul className="space-y-3">
              {names.coloursOf(wash).map((colour) => (
                <ColourToLay key={colour.id} colour={colour} />
              ))}
            </ul>
            <ul className="space-y-1 text-[1.3rem] leading-snug">
              {mindWords(wash, plan, names).map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
            {wash.task === "mask" && <Caution of="masking" />}
            {waits && meanwhile.length > 0 && (
              <div>
                <h3 className="text-[1.1rem]">Meanwhile</h3>
                <div className="mt-1 flex flex-wrap gap-2">
                  {meanwhile.slice(0, 3).map((key) => (
                    <button
                      key={key}
                      type="button"
                      className="btn h-16 btn-outline text-[1.15rem]"
                      onClick={() => sitting.takeUp(key)}
                    >
                      {names.nameOf(key)}
                    </button>
                  ))}
                </div>
              </div>
            )}
            {!waits && next && (
              <p className="quiet text-[1.3rem]">
                Then {names.nameOf(next.key)}, {TASK_WORDS[next.task]}.
              </p>
            )}
          </section>
        </div>
      ) : (
        <div className="grid flex-1 place-items-center">
          <div className="space-y-6 text-center">
            <p className="name-face text-[2rem]">Every wash is laid. Step back three steps.</p>
            <button type="button" className="btn h-16 btn-outline px-8 text-[1.15rem]" onClick={sitting.anew}>
              Paint it once more
            </button>
            {!beside && <KeepSitting title={title} />}
          </div>
        </div>
      )}
      <div className="flex gap-3 px-6 pb-6">
        <BigKey onClick={sitting.back} disabled={!sitting.canGoBack}>
          <Undo2 size={22} aria-hidden /> Back
        </BigKey>
        <BigKey onClick={() => sitting.note("skipped")} disabled={!wash}>
          <SkipForward size={22} aria-hidden /> Skip
        </BigKey>
        <BigKey main onClick={go} disabled={!wash}>
          <Check size={26} aria-hidden /> {waits ? "It is dry already" : "Done"}
          {!beside && <span className="text-[1rem] font-normal opacity-80">space bar</span>}
        </BigKey>
      </div>
    </dialog>
  );
}
