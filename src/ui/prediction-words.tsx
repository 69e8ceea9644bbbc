import { type Difference } from "@/core/colour";
import { type LikelyError } from "@/core/mixing";

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

/** How sure the prediction is, and what it stands on. */
export function LikelyErrorWords({ error }: { error: LikelyError }) {
  const days = error.measurements
    .map(({ on, way }) => `${on}${way === "simulated meter" ? ", simulated" : ""}`)
    .join("; ");
  const basis = {
    measured: `your own swatches of ${days}`,
    mixed: `partly your own swatches of ${days}`,
    typical: "typical paints",
  }[error.basis];
  const { strength, hue, scattering } = error.from;
  const most = Math.max(strength, hue, scattering);
  const owed =
    most === strength ? "how strong the tubes are" : most === hue ? "the tubes' own hues" : "how much the tubes cover";
  return (
    <p
      className="label-line"
      title={`Half of such predictions are nearer than ${error.median} dE00, nine in ten nearer than ${error.p90}. Most of it is ${owed}; two washes of a paint, measured, tell.`}
    >
      give or take {error.median}, seldom over {Math.round(error.p90)} ({basis}
      {error.basis === "typical" && `, most of it ${owed}`})
    </p>
  );
}
