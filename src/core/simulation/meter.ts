import { MeterRefused, type ColourMeter } from "../calibration/meter";
import { BANDS, type Reflectance } from "../colour/bands";
import { normalFrom } from "../numeric/normal";

/** What lies about a simulated meter. */
export interface MeterSurroundings {
  /** What the meter stands on, by 10 nm. */
  readonly under: () => Reflectance;
  readonly random: () => number;
  /** Milliseconds, always rising. */
  readonly now: () => number;
  readonly wait: (milliseconds: number) => Promise<void>;
}

/** How a small hand-held meter behaves: from memory of such instruments' data sheets. */
const READ_MS = 700;
const WARM_MS = 300_000;
/**
 * Shares of the reading: noise from reading to reading, and how far the lamp sinks while it warms and with every
 * reading.
 */
const NOISE = { share: 0.003, floor: 0.0006 } as const;
const DRIFT = { warming: 0.02, aReading: 0.0004, bluer: 0.6 } as const;
const READINGS_A_WHITE = 25;
/** One reading in so many is taken with the meter not flat on the paper. */
const TILTED = 1 / 30;

/**
 * A simulated meter behind the interface of a real one: it takes its time, its lamp drifts as it
 * warms (more at the blue end), readings scatter, it asks for its white again, and now and then it
 * was not held flat.
 */
export function simulatedMeter({ under, random, now, wait }: MeterSurroundings): ColourMeter {
  const normal = normalFrom(random);
  let connectedAt: number | null = null;
  let white: Float64Array | null = null;
  let since = 0;
  let readings = 0;
  const lamp = (): Float64Array => {
    const warmed = 1 - Math.exp(-(now() - (connectedAt ?? now())) / WARM_MS);
    return Float64Array.from(
      { length: BANDS },
      (_, i) =>
        1 - (DRIFT.warming * warmed + DRIFT.aReading * readings) * (1 + DRIFT.bluer * (1 - (2 * i) / (BANDS - 1))),
    );
  };
  const counted = (reflectance: ArrayLike<number>): Float64Array =>
    lamp().map((power, i) => power * reflectance[i]! * (1 + NOISE.share * normal()) + NOISE.floor * normal());
  return {
    name: "Simulated meter",
    simulated: true,
    state: () => ({ connected: connectedAt !== null, readingsLeft: white ? Math.max(0, READINGS_A_WHITE - since) : 0 }),
    connect: async () => {
      await wait(2 * READ_MS);
      connectedAt ??= now();
    },
    calibrateOnWhite: async () => {
      if (connectedAt === null) throw new MeterRefused("not connected");
      await wait(READ_MS);
      white = counted(new Float64Array(BANDS).fill(1));
      since = 0;
    },
    read: async () => {
      if (connectedAt === null) throw new MeterRefused("not connected");
      if (!white || since >= READINGS_A_WHITE) throw new MeterRefused("white not seen");
      await wait(READ_MS);
      since++;
      readings++;
      if (random() < TILTED) throw new MeterRefused("not flat");
      const tile = white;
      return counted(under()).map((v, i) => Math.max(0, v / tile[i]!));
    },
    disconnect: async () => {
      connectedAt = null;
      white = null;
    },
  };
}
