import sharp from "sharp";
import { deltaE00, xyzOfLab, type Lab } from "@/core/colour";
import { linearP3OfXyz } from "@/core/colour/display-p3";
import { normalFrom } from "@/core/numeric/normal";
import { seededRandom } from "@/core/numeric/random";
import type { WashKind } from "@/core/areas";
import type { PixelArray } from "@/core/image";
import { encodedSrgb } from "./encoded-srgb";

/** A photo of one area among others whose washes are known, with noise and JPEG as a camera brings them. */
export interface MadeUpWash {
  readonly kind: WashKind;
  /** The true colours, lightest first; along the run when graded. */
  readonly colours: readonly Lab[];
  readonly photo: PixelArray;
  /** Whether a pixel belongs to the area. */
  readonly inside: Uint8Array;
}

const [WIDTH, HEIGHT] = [360, 270];

interface Wave {
  readonly kx: number;
  readonly ky: number;
  readonly phase: number;
}

/** A few waves of different lengths and directions. */
function someWaves(random: () => number, wavelength: number): Wave[] {
  return Array.from({ length: 7 }, () => {
    const angle = 2 * Math.PI * random();
    const k = (2 * Math.PI) / (wavelength * (0.6 + 0.9 * random()));
    return { kx: k * Math.cos(angle), ky: k * Math.sin(angle), phase: 2 * Math.PI * random() };
  });
}

/** A smooth field between 0 and 1: waves upon each other, brought to even shares. */
function smoothField(waves: readonly Wave[]): Float64Array {
  const raw = new Float64Array(WIDTH * HEIGHT);
  for (const { kx, ky, phase } of waves)
    for (let y = 0; y < HEIGHT; y++)
      for (let x = 0; x < WIDTH; x++) raw[y * WIDTH + x]! += Math.sin(kx * x + ky * y + phase);
  const sorted = raw.slice().sort();
  const limits = Array.from(
    { length: 101 },
    (_, p) => sorted[Math.min(raw.length - 1, Math.floor((p / 100) * raw.length))],
  );
  return raw.map((value) => {
    let low = 0;
    let high = 100;
    while (high - low > 1) {
      const middle = (low + high) >> 1;
      if (limits[middle]! <= value) low = middle;
      else high = middle;
    }
    return low / 100;
  });
}

const smoothstep = (from: number, to: number, x: number): number => {
  const t = Math.min(1, Math.max(0, (x - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

/** A colour that a screen can show, away from black and white. */
function someColour(random: () => number, L = 35 + 45 * random()): Lab {
  for (;;) {
    const C = 4 + 30 * random();
    const h = 2 * Math.PI * random();
    const lab = { L, a: C * Math.cos(h), b: C * Math.sin(h) };
    const { r, g, b } = linearP3OfXyz(xyzOfLab(lab));
    if (Math.min(r, g, b) > 0.01 && Math.max(r, g, b) < 0.95) return lab;
  }
}

/** Two colours of a kind of wash that differ by at least twelve dE00. */
function someColours(kind: WashKind, random: () => number): readonly [Lab, Lab] {
  for (;;) {
    const one = someColour(random);
    if (kind === "flat") return [one, one];
    const two =
      kind === "graded"
        ? someColour(random)
        : kind === "varied"
          ? someColour(random, one.L + 6 * (random() - 0.5))
          : someColour(random, Math.max(20, one.L - 16 - 14 * random()));
    if (deltaE00(one, two) < 12) continue;
    if (kind !== "layered") return [one, two];
    const [light, dark] = [one, two].map((lab) => linearP3OfXyz(xyzOfLab(lab)));
    if (dark!.r < light!.r && dark!.g < light!.g && dark!.b < light!.b) return [one, two];
  }
}

/**
 * Makes a photo of one wash. Graded washes run in any direction, varied ones melt, layered ones have crisp second
 * shapes.
 */
export async function madeUpWash(kind: WashKind, seed: number): Promise<MadeUpWash> {
  const random = seededRandom(seed);
  const [one, two] = someColours(kind, random);
  const [from, to] = [one, two].map((lab) => linearP3OfXyz(xyzOfLab(lab)));
  const angle = 2 * Math.PI * random();
  const waves = someWaves(random, kind === "varied" ? 90 + 60 * random() : 30 + 50 * random());
  const field = kind === "varied" || kind === "layered" ? smoothField(waves) : null;
  const share = 0.3 + 0.4 * random();
  const noise = 0.01 + 0.02 * random();
  const tilt = random();
  const inside = Uint8Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [(i % WIDTH) / WIDTH - 0.5, Math.floor(i / WIDTH) / HEIGHT - 0.5];
    return tilt < 0.5 ? Number((x / 0.42) ** 2 + (y / 0.4) ** 2 < 1) : Number(Math.abs(x) < 0.4 && Math.abs(y) < 0.38);
  });
  const along = Float64Array.from(
    inside,
    (_, i) => Math.cos(angle) * (i % WIDTH) + Math.sin(angle) * Math.floor(i / WIDTH),
  );
  const ends = along.filter((_, i) => inside[i] === 1).sort();
  const t = (i: number): number => {
    if (kind === "flat") return 0;
    if (kind === "graded")
      return Math.min(1, Math.max(0, (along[i]! - ends[0]!) / (ends[ends.length - 1]! - ends[0]!)));
    return kind === "varied" ? smoothstep(share - 0.15, share + 0.15, field![i]!) : field![i]! > share ? 1 : 0;
  };
  const gauss = normalFrom(random);
  const [start, end] = [from, to].map((light) => Float64Array.of(light!.r, light!.g, light!.b));
  const rgb = new Uint8ClampedArray(3 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i++) {
    const part = t(i);
    for (let c = 0; c < 3; c++) {
      const light = inside[i] ? start![c]! + part * (end![c]! - start![c]!) : 0.2;
      rgb[3 * i + c] = encodedSrgb(light) + 255 * noise * gauss();
    }
  }
  const jpeg = await sharp(Buffer.from(rgb), { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .jpeg({ quality: 75 + Math.floor(20 * random()) })
    .toBuffer();
  const { data } = await sharp(jpeg).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return {
    kind,
    colours: kind === "flat" ? [one] : kind === "graded" ? [one, two] : [one, two].sort((a, b) => b.L - a.L),
    photo: { data, width: WIDTH, height: HEIGHT },
    inside,
  };
}
