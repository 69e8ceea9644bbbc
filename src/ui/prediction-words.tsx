import { Term } from "./help/term";
import { type Difference } from "@/core/colour";
import { type ComesOut, type LikelyError } from "@/core/mixing";

/** How far the dried mix is from the photo's colour, in words and as dE00. */
export function DifferenceWords({ difference }: { difference: Difference }) {
  const words = difference.words.length > 0 ? difference.words.join(", ") : "hardly any difference";
  return (
    <p className="leading-snug">
      <span
        className="font-semibold"
        title="Colour difference CIEDE2000 between the photo's colour and the mix as it dries"
      >
        dE00 {difference.dE00.toFixed(1)}
      </span>
      <span className="quiet">, {words}</span>
    </p>
  );
}

/** What was measured or painted that a prediction stands on. */
function swatchWords(measurements: LikelyError["measurements"]): string {
  const book = measurements.find((one) => one.book)?.book;
  const days = measurements.flatMap(({ on, way, book: learned }) =>
    learned ? [] : [`${on}${way === "simulated meter" ? ", simulated" : ""}`],
  );
  return [
    ...(book ? [`your ${book === 1 ? "one swatch" : `${book} swatches`} in the logbook`] : []),
    ...(days.length > 0 ? [`your own swatches of ${days.join("; ")}`] : []),
  ].join(" and ");
}

/** What predictions stand on. */
function Basis({
  basis,
  measurements,
  explained,
}: Pick<LikelyError, "basis" | "measurements"> & { readonly explained: boolean }) {
  if (basis === "typical") return explained ? <Term word="typical paints" /> : "typical paints";
  return `${basis === "mixed" ? "partly " : ""}${swatchWords(measurements)}`;
}

/** A figure of dE00 as exact as it is known. */
const rough = (dE00: number): string => (dE00 < 2 ? dE00.toFixed(1) : dE00.toFixed(0));

/** What a recipe comes out off by, how much of that is the hand and how much the paints, and the part to mind. */
export function ComesOutWords({
  comesOut: { median, p90, from, delicate, ...grounds },
  hand,
  nameOf,
  explained = false,
}: {
  comesOut: ComesOut;
  /** Whose hand, e.g. "a usual hand". */
  hand: string;
  nameOf: (paintId: string) => string;
  /** Its words explain themselves; not in a list, where each would be one more stop for the keys. */
  explained?: boolean;
}) {
  return (
    <div className="space-y-0.5">
      <p
        className="leading-snug"
        title={`dE00: half of such washes come out nearer than the first, nine in ten nearer than the second. The exact mix ${from.reach.toFixed(1)}, parts and water in ${hand} ${from.hand.toFixed(1)}, the paints ${from.paints.toFixed(1)} (added as squares).`}
      >
        comes out within <b>{rough(median)}</b>, nine times in ten within <b>{rough(p90)}</b>
      </p>
      <p className="label-line">
        {explained ? <Term word="hand">{hand}</Term> : hand} {rough(from.hand)}, the paints {rough(from.paints)} (
        <Basis {...grounds} explained={explained} />)
      </p>
      {delicate && (
        <p className="leading-snug">
          <b>Watch the {delicate.paintId === null ? "strength" : nameOf(delicate.paintId)}:</b> a slip too much turns it{" "}
          {delicate.words.map((word) => word.replace(/^(a little|much) /, "")).join(", ")}.
        </p>
      )}
    </div>
  );
}

/** How sure the prediction is, and what it stands on. */
export function LikelyErrorWords({ error }: { error: LikelyError }) {
  const { strength, hue, scattering } = error.from;
  const most = Math.max(strength, hue, scattering);
  const owed =
    most === strength ? "how strong the tubes are" : most === hue ? "the tubes' own hues" : "how much the tubes cover";
  return (
    <p
      className="label-line"
      title={`Half of such predictions are nearer than ${error.median} dE00, nine in ten nearer than ${error.p90}. Most of it is ${owed}; two washes of a paint, measured, tell.`}
    >
      give or take {error.median}, seldom over {Math.round(error.p90)} (<Basis {...error} explained />
      {error.basis === "typical" && `, most of it ${owed}`})
    </p>
  );
}
