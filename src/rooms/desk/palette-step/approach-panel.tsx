"use client";

import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { APPROACH_CHOICES, DEFAULT_APPROACH, type Approach, type ApproachKey } from "@/core/palette";
import { SmoothSlider } from "@/ui/smooth-slider";
import { useDesk, useDeskStore } from "../desk-store";
import { leftOutWords, WHY_LEFT_OUT } from "../left-out-words";
import { useWeighing } from "./weighing";
import { firstOf } from "./words";

type Words = {
  readonly [K in ApproachKey]: {
    readonly name: string;
    readonly choices: { readonly [C in Approach[K]]: readonly [words: string, effect: string] };
  };
};

/** Each setting's words and the one line that says what it changes. */
const WORDS: Words = {
  size: {
    name: "How many",
    choices: {
      lean: ["lean, 3 to 5", "Few paints, harmony for nothing, more mixing."],
      middle: ["middle, 6 to 9", "Room for a warm and a cool of what matters."],
      wide: ["wide, 6 to 12", "Most colours straight from the well, convenience colours too."],
    },
  },
  primaries: {
    name: "Primaries",
    choices: {
      free: ["free", "Whatever serves the areas best."],
      "red-yellow-blue": ["red, yellow, blue", "One of each is always laid out."],
      "magenta-yellow-cyan": ["magenta, yellow, cyan", "The printers' three: the widest reach, stainers mostly."],
    },
  },
  darks: {
    name: "Darks",
    choices: {
      free: ["as they come", "Mixed or from the tube, whichever gets there."],
      primaries: ["from primaries", "No black or grey tube: the darks stay lively."],
      brown: ["a darkening brown", "A dark earth is laid out, no black."],
      tube: ["from the tube", "A black or neutral is laid out."],
    },
  },
  hues: {
    name: "Hues",
    choices: {
      photo: ["as wished", "Hues count as the photo has them, or as wished under Areas."],
      free: [
        "follow the palette",
        "Value, contrast and warm against cool are kept; hues may go where the palette leads.",
      ],
    },
  },
  chroma: {
    name: "Chroma",
    choices: {
      photo: ["as the photo", "Neither raised nor lowered."],
      bright: ["bright", "A quarter more, unless wished otherwise under Areas."],
      muted: ["muted", "A quarter less, unless wished otherwise under Areas."],
    },
  },
  granulation: {
    name: "Granulation",
    choices: {
      allow: ["allowed", "Neither sought nor avoided."],
      seek: ["sought", "At least one granulating paint."],
      avoid: ["avoided", "Only paints that lie flat."],
    },
  },
  opacity: {
    name: "Opacity",
    choices: {
      free: ["free", "Opaque paints at any strength."],
      tints: ["opaque in tints", "Opaque paints only thin, so that the paper still speaks."],
      transparent: ["transparent only", "No opaque or half-opaque paint."],
    },
  },
  greys: {
    name: "Greys",
    choices: {
      free: ["as they come", "Mixed, with a black or grey tube only where it gains much."],
      opposites: ["from opposites", "No grey or black tube."],
      earths: ["from earths", "An earth is laid out, no grey tube."],
      tube: ["a neutral tube", "A black or neutral is laid out."],
    },
  },
  lasting: {
    name: "Lasting",
    choices: {
      lasting: ["for the wall", "Only pigments of ASTM classes I and II."],
      sketchbook: ["sketchbook", "Fading paints too: a closed book keeps them."],
    },
  },
  mixing: {
    name: "Mixing",
    choices: {
      well: ["in the well", "Up to three paints in a mix."],
      paper: ["on the paper", "Two paints at most meet."],
    },
  },
  hand: {
    name: "Hand",
    choices: {
      usual: ["usual", "Parts off by a fifth, water by a seventh: what a mix comes out as, not what it could."],
      careful: ["careful", "Parts and water counted: off by a tenth."],
      loose: ["loose", "By eye and quickly: off by a third; the calmest mixes win."],
      own: ["your own", "As the swatches in your logbook scatter; usual until they tell."],
    },
  },
  near: {
    name: "Near enough",
    choices: {
      usual: ["usual", "What hardly shows beside the photo counts little."],
      close: ["close", "Small differences count too: for flowers, cloth, portraits."],
      free: ["free", "Only plain differences count: the photo is a beginning."],
    },
  },
  effort: {
    name: "Effort",
    choices: {
      usual: ["usual", "A simpler mix is taken where another is hardly nearer."],
      few: ["few mixes", "Single paints and mixes of two, even where a third would come nearer."],
      gladly: ["gladly mixed", "A second and third paint are mixed wherever they help."],
    },
  },
};

function Setting<K extends ApproachKey>({ setting }: { setting: K }) {
  const chosen = useDesk((s) => s.document.approach[setting]);
  const changeApproach = useDesk((s) => s.changeApproach);
  const { name, choices } = WORDS[setting];
  const [, effect] = choices[chosen];
  return (
    <label className="grid grid-cols-[5.6rem_minmax(0,1fr)] items-baseline gap-x-2 py-1">
      <span>{name}</span>
      <select
        className="select select-sm w-full text-[0.92rem]"
        aria-label={name}
        title={effect}
        value={chosen}
        onChange={(event) => changeApproach({ [setting]: event.target.value })}
      >
        {APPROACH_CHOICES[setting].map((choice) => (
          <option key={choice} value={choice}>
            {choices[choice as Approach[K]][0]}
          </option>
        ))}
      </select>
      <span className="label-line col-start-2 leading-snug">{effect}</span>
    </label>
  );
}

/** What differs from the default, for the closed panel. */
function summary(approach: Approach, own: Approach): string {
  const changed = (Object.keys(WORDS) as ApproachKey[])
    .filter((key) => key === "size" || approach[key] !== own[key])
    .map((key) =>
      key === "size"
        ? WORDS.size.choices[approach.size][0]
        : `${WORDS[key].name.toLowerCase()} ${(WORDS[key].choices as Readonly<Record<string, readonly [string, string]>>)[approach[key]]![0]}`,
    );
  if (approach.single) changed.push("one pigment each");
  if (approach.darkest !== null) changed.push(`down to value ${approach.darkest.toFixed(1)}`);
  return changed.join(" · ");
}

/** The painter's school as settings, each with what it changes; kept with the painting. */
export function ApproachPanel() {
  const approach = useDesk((s) => s.document.approach);
  const changeApproach = useDesk((s) => s.changeApproach);
  const { temporal } = useDeskStore();
  const { leftOut, missing } = useWeighing();
  const [open, setOpen] = useState(false);
  const [kept, setKept] = useState<string | null>(null);
  const keep = async (): Promise<void> => {
    const response = await fetch("/api/approach", {
      method: "PUT",
      keepalive: true,
      headers: { "content-type": "application/json" },
      body: JSON.stringify(approach),
    }).catch(() => null);
    setKept(response?.ok ? "New paintings start like this." : "It could not be kept. Is Abendrot still running?");
  };
  return (
    <section aria-label="Approach" className="border-y border-(--hairline) py-2">
      <button
        type="button"
        aria-expanded={open}
        className="flex w-full cursor-pointer items-baseline gap-2 text-left"
        onClick={() => setOpen(!open)}
      >
        <span className="font-semibold">Approach</span>
        <span className="quiet min-w-0 flex-1 truncate text-[0.9rem]">{summary(approach, DEFAULT_APPROACH)}</span>
        <ChevronDown size={15} className={`shrink-0 self-center ${open ? "rotate-180" : ""}`} aria-hidden />
      </button>
      {open && (
        <div className="pt-2">
          {(Object.keys(WORDS) as ApproachKey[]).map((setting) => (
            <Setting key={setting} setting={setting} />
          ))}
          <div className="grid grid-cols-[5.6rem_minmax(0,1fr)] items-baseline gap-x-2 py-1">
            <span>Value counts</span>
            <span className="flex items-center gap-3">
              <SmoothSlider
                history={temporal}
                className="range range-xs flex-1 [--range-fill:0]"
                min={1}
                max={4}
                step={0.25}
                value={approach.valueWeight}
                aria-label="How much value counts"
                aria-valuetext={`${approach.valueWeight} times hue and chroma`}
                onSlide={(valueWeight) => changeApproach({ valueWeight })}
              />
              <span className="w-10">× {approach.valueWeight}</span>
            </span>
            <span className="label-line col-start-2 leading-snug">A wrong value is seen before a wrong hue.</span>
          </div>
          <label className="grid grid-cols-[5.6rem_minmax(0,1fr)] items-baseline gap-x-2 py-1">
            <span>In a mix</span>
            <select
              className="select select-sm w-full text-[0.92rem]"
              aria-label="Pigments in a mix"
              value={approach.maxPigments}
              onChange={(event) => changeApproach({ maxPigments: Number(event.target.value) })}
            >
              {[1, 2, 3, 4, 5].map((n) => (
                <option key={n} value={n}>
                  {n === 1 ? "1 pigment" : `${n} pigments at most`}
                </option>
              ))}
            </select>
            <span className="label-line col-start-2 leading-snug">A convenience colour brings all of its own.</span>
          </label>
          <label className="grid grid-cols-[5.6rem_minmax(0,1fr)] items-baseline gap-x-2 py-1">
            <span>As dark as</span>
            <select
              className="select select-sm w-full text-[0.92rem]"
              aria-label="Darkest value needed"
              value={approach.darkest ?? ""}
              onChange={(event) =>
                changeApproach({ darkest: event.target.value === "" ? null : Number(event.target.value) })
              }
            >
              <option value="">as dark as it comes</option>
              {[2.5, 3, 3.5, 4].map((value) => (
                <option key={value} value={value}>
                  value {value.toFixed(1)}
                </option>
              ))}
            </select>
            <span className="label-line col-start-2 leading-snug">Only palettes that can mix so dark.</span>
          </label>
          <label className="flex cursor-pointer items-center gap-1.5 py-1">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={approach.single}
              onChange={() => changeApproach({ single: !approach.single })}
            />{" "}
            one pigment in each paint, no convenience mixes
          </label>
          <div className="flex flex-wrap items-center gap-2 pt-1.5">
            <button type="button" className="btn btn-outline btn-xs" onClick={() => void keep()}>
              Keep as my default
            </button>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => changeApproach(DEFAULT_APPROACH)}>
              As it comes
            </button>
            {kept && (
              <span role="status" className="label-line">
                {kept}
              </span>
            )}
          </div>
        </div>
      )}
      {leftOut.length > 0 && (
        <p
          className="label-line pt-1 leading-snug"
          title={leftOut.map(({ paint, why }) => `${paint.name}: ${WHY_LEFT_OUT[why]}`).join("\n")}
        >
          {leftOutWords(leftOut.map(({ why }) => why))}.
        </p>
      )}
      {missing.length > 0 && (
        <p role="status" className="pt-1 text-[0.9rem] leading-snug text-warning">
          No paint at hand is{" "}
          {firstOf(
            missing.map((kind) =>
              kind === "earth"
                ? "an earth"
                : kind === "neutral"
                  ? "a neutral"
                  : kind === "granulating"
                    ? "granulating"
                    : `a ${kind}`,
            ),
            4,
          )}
          : the choice goes on without.
        </p>
      )}
    </section>
  );
}
