import { tripleOf } from "@/core/numeric/tuples";
import type { Homography } from "@/core/calibration/card/homography";
import { homographyOf } from "@/core/calibration/card/homography";
import { CARD, FIDUCIAL_CENTRES } from "@/core/calibration/card/layout";
import { solveLinear } from "@/core/numeric/solve";
import { linearSrgbOfXyz } from "@/core/colour/srgb";
import { FINE_BANDS, FINE_NM, xyzOfFine } from "@/core/simulation/fine-bands";
import { normalFrom } from "@/core/numeric/normal";

/** A simulated camera before a card: what it sees and what it does to it. */
export interface Camera {
  readonly widthPx: number;
  readonly heightPx: number;
  /** From the card's mm to the photo's pixels. */
  readonly onPhoto: Homography;
  /** Linear sRGB of a reflectance by 5 nm in the middle of the picture, as the camera makes it. */
  readonly rgbOf: (reflectance: Float64Array) => readonly [number, number, number];
  /** Light at a place of the picture (0 to 1 across and down) relative to the middle. */
  readonly lightAt: (u: number, v: number) => number;
  /** Noise at full exposure, share of full scale (linear), and that of the dark. */
  readonly noise: { readonly shot: number; readonly dark: number };
  /** Share of the picture's mean light that strays over all of it. */
  readonly flare: number;
  /** Optical blur, one standard deviation, pixels. */
  readonly blurPx: number;
}

/** What may go wrong in a photo of a card, 0 for none. */
export interface PhotoTrouble {
  /**
   * 0 a perfect camera; 1 what a phone in a steady hand does by daylight. Scales noise, cast, unevenness, flare and
   * tilt.
   */
  readonly moderate: number;
  readonly blurPx?: number;
  /** Turned by so many degrees. */
  readonly turnedDegrees?: number;
  /** Share of full scale at which the paper is exposed; 0.8 is usual. */
  readonly exposure?: number;
  /** Extra cast as gains on r, g, b. */
  readonly cast?: readonly [number, number, number];
  /** How much purer it makes colours, and the power of its curve on light relative to white; 1 for neither. */
  readonly saturation?: number;
  readonly tone?: number;
}

/** Peak, width and second lobe of a phone's three sensors, nm. From memory; not those of the eye. */
const SENSORS = [
  { peak: 598, width: 34, lobe: { at: 450, share: 0.04 } },
  { peak: 533, width: 39, lobe: { at: 620, share: 0.05 } },
  { peak: 462, width: 27, lobe: { at: 540, share: 0.05 } },
] as const;

const sensitivity =
  ({ peak, width, lobe }: (typeof SENSORS)[number]) =>
  (nm: number): number =>
    Math.exp(-0.5 * ((nm - peak) / width) ** 2) + lobe.share * Math.exp(-0.5 * ((nm - lobe.at) / 40) ** 2);

/** Relative power of a black body by Planck's law. */
const planck =
  (kelvin: number) =>
  (nm: number): number =>
    (560 / nm) ** 5 / (Math.exp(1.438777e7 / (nm * kelvin)) - 1);

/** Smooth reflectances that the camera's maker is taken to have had: edges and bumps over the whole spectrum. */
function trainingSet(): Float64Array[] {
  const list = [new Float64Array(FINE_BANDS).fill(0.9), new Float64Array(FINE_BANDS).fill(0.2)];
  for (const edge of [430, 480, 520, 560, 590, 620]) {
    for (const sign of [-1, 1])
      list.push(Float64Array.from(FINE_NM, (nm) => 0.07 + 0.7 / (1 + Math.exp((sign * (nm - edge)) / 16))));
  }
  for (const bump of [450, 490, 530, 570, 610])
    list.push(Float64Array.from(FINE_NM, (nm) => 0.08 + 0.5 * Math.exp(-0.5 * ((nm - bump) / 35) ** 2)));
  return list;
}

/**
 * The 3 by 3 matrix that brings the training set nearest to linear sRGB, white exactly as far as counting it often
 * does.
 */
function colourMatrix(raw: (reflectance: Float64Array) => number[]): number[][] {
  const set = trainingSet();
  const weights = set.map((_, i) => (i < 2 ? 30 : 1));
  const inputs = set.map(raw);
  const wanted = set.map((r) => linearSrgbOfXyz(xyzOfFine(r)));
  const A = [0, 1, 2].map((i) =>
    [0, 1, 2].map((j) => inputs.reduce((sum, x, n) => sum + weights[n]! * x[i]! * x[j]!, 0)),
  );
  return (["r", "g", "b"] as const).map((channel) =>
    solveLinear(
      A,
      [0, 1, 2].map((i) => inputs.reduce((sum, x, n) => sum + weights[n]! * x[i]! * wanted[n]![channel], 0)),
    )!,
  );
}

/** Corners of the card's marks on the photo for a hand that holds the camera nearly straight. */
function cornersOn(
  widthPx: number,
  heightPx: number,
  trouble: PhotoTrouble,
  normal: () => number,
): { x: number; y: number }[] {
  const scale = Math.min((0.8 * widthPx) / CARD.width, (0.8 * heightPx) / CARD.height);
  const tilt = [normal(), normal()].map((n) => trouble.moderate * 0.00025 * n);
  const angle = (((trouble.turnedDegrees ?? 0) + trouble.moderate * 2 * normal()) * Math.PI) / 180;
  const fit =
    Math.abs(Math.cos(angle)) > 0.6 ? scale : Math.min((0.8 * widthPx) / CARD.height, (0.8 * heightPx) / CARD.width);
  return FIDUCIAL_CENTRES.map(({ x, y }) => {
    const [dx, dy] = [x - CARD.width / 2, y - CARD.height / 2];
    const depth = 1 + tilt[0]! * dx + tilt[1]! * dy;
    const [px, py] = [(fit * dx) / depth, (fit * dy) / depth];
    return {
      x: widthPx / 2 + px * Math.cos(angle) - py * Math.sin(angle),
      y: heightPx / 2 + px * Math.sin(angle) + py * Math.cos(angle),
    };
  });
}

/** A camera of the bench, held over a card in daylight. */
export function cameraOver(widthPx: number, heightPx: number, trouble: PhotoTrouble, random: () => number): Camera {
  const normal = normalFrom(random);
  const { moderate } = trouble;
  const light = planck(6000 + moderate * 500 * normal());
  const power = FINE_NM.map(light);
  const curves = SENSORS.map((sensor) => FINE_NM.map(sensitivity(sensor)));
  const gather = (reflectance: Float64Array, by: readonly number[]): number[] =>
    curves.map((curve) => curve.reduce((sum, s, i) => sum + s * by[i]! * reflectance[i]!, 0));
  const white = gather(new Float64Array(FINE_BANDS).fill(1), power);
  const matrix = colourMatrix((reflectance) => gather(reflectance, power).map((v, i) => v / white[i]!));
  const cast = [0, 1, 2].map((i) => (trouble.cast?.[i] ?? 1) * (1 + 0.05 * moderate * normal()));
  const exposure = trouble.exposure ?? 0.82;
  const rgbOf = (reflectance: Float64Array): readonly [number, number, number] => {
    const raw = gather(reflectance, power).map((v, i) => (exposure * cast[i]! * v) / white[i]!);
    const linear = matrix.map((row) => row[0]! * raw[0]! + row[1]! * raw[1]! + row[2]! * raw[2]!);
    const grey = 0.2126 * linear[0]! + 0.7152 * linear[1]! + 0.0722 * linear[2]!;
    const [r, g, b] = tripleOf(
      linear.map((x) => {
        const purer = (grey + (trouble.saturation ?? 1) * (x - grey)) / exposure;
        return exposure * Math.sign(purer) * Math.abs(purer) ** (trouble.tone ?? 1);
      }),
    );
    return [r, g, b];
  };
  const slant = [0.12 * moderate * normal(), 0.12 * moderate * normal()];
  const vignetting = 0.35 * moderate * (0.6 + 0.8 * random());
  const lightAt = (u: number, v: number): number =>
    (1 + slant[0]! * (u - 0.5) + slant[1]! * (v - 0.5)) * (1 - vignetting * ((u - 0.5) ** 2 + (v - 0.5) ** 2));
  return {
    widthPx,
    heightPx,
    rgbOf,
    lightAt,
    onPhoto: homographyOf(FIDUCIAL_CENTRES, cornersOn(widthPx, heightPx, trouble, normal))!,
    noise: { shot: 0.012 * moderate, dark: 0.0015 * moderate },
    flare: 0.004 * moderate,
    blurPx: trouble.blurPx ?? 0.7,
  };
}
