import { describe, expect, test } from "vitest";
import { MeterRefused } from "../calibration/meter";
import { PAPERS } from "../optics/paper";
import { seededRandom } from "../numeric/random";
import { deltaE00 } from "../colour/difference";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import type { Reflectance } from "../colour/bands";
import { madeUpSwatches } from "./made-up-swatches";
import { simulatedMeter } from "./meter";

const lab = (r: Reflectance) => labOfXyz(xyzOfReflectance(r));

/** A meter on a swatch, with a clock that runs only while the meter works. */
function meterOn(under: Reflectance, seed = 1) {
  let time = 0;
  const meter = simulatedMeter({
    under: () => under,
    random: seededRandom(seed),
    now: () => time,
    wait: async (ms) => void (time += ms),
  });
  const read = async (): Promise<Reflectance> =>
    meter.read().catch((error: unknown) => {
      if (error instanceof MeterRefused && error.why === "not flat") return read();
      throw error;
    });
  return { meter, read, pass: (ms: number) => (time += ms) };
}
const swatch = madeUpSwatches([{ pigmentId: "PR254", share: 1 }], 4)("wash", 1, 1.5);

describe("the simulated meter", () => {
  test("reads nothing before it is connected and has seen its white", async () => {
    const { meter } = meterOn(swatch);
    await expect(meter.read()).rejects.toThrow(/not connected/);
    await expect(meter.calibrateOnWhite()).rejects.toThrow(/not connected/);
    await meter.connect();
    expect(meter.state()).toEqual({ connected: true, readingsLeft: 0 });
    await expect(meter.read()).rejects.toThrow(/white not seen/);
    await meter.calibrateOnWhite();
    expect(meter.state().readingsLeft).toBeGreaterThan(10);
    await meter.disconnect();
    await expect(meter.read()).rejects.toThrow(/not connected/);
  });

  test("readings scatter a little about the truth and take their time", async () => {
    const { meter, read } = meterOn(swatch);
    await meter.connect();
    await meter.calibrateOnWhite();
    const list = [];
    for (let i = 0; i < 12; i++) list.push(await read());
    const misses = list.map((r) => deltaE00(lab(r), lab(swatch)));
    expect(Math.max(...misses)).toBeLessThan(1);
    expect(Math.max(...misses)).toBeGreaterThan(0.02);
    expect(new Set(misses.map((m) => m.toFixed(6))).size).toBe(12);
  });

  test("its lamp drifts until the white is seen again; after so many readings it asks for it", async () => {
    const { meter, read, pass } = meterOn(swatch, 3);
    await meter.connect();
    await meter.calibrateOnWhite();
    pass(20 * 60_000);
    const drifted = deltaE00(lab(await read()), lab(swatch));
    await meter.calibrateOnWhite();
    const fresh = deltaE00(lab(await read()), lab(swatch));
    expect(drifted).toBeGreaterThan(fresh + 0.2);
    let refused: unknown = null;
    for (let i = 0; i < 40 && !refused; i++) await read().catch((error: unknown) => (refused = error));
    expect(String(refused)).toMatch(/white not seen/);
    expect(meter.state().readingsLeft).toBe(0);
  });

  test("now and then it was not held flat, and says so", async () => {
    const { meter } = meterOn(swatch, 8);
    await meter.connect();
    let tilted = 0;
    for (let i = 0; i < 120; i++) {
      if (meter.state().readingsLeft === 0) await meter.calibrateOnWhite();
      await meter.read().catch((error: Error) => /flat/.test(error.message) && tilted++);
    }
    expect(tilted).toBeGreaterThan(0);
    expect(tilted).toBeLessThan(15);
  });
});

describe("made-up swatches", () => {
  const swatches = madeUpSwatches([{ pigmentId: "PB29", share: 1 }], 21);
  test("are the same for the same seed and another maker's for another", () => {
    const [again, other] = [21, 22].map((seed) =>
      madeUpSwatches([{ pigmentId: "PB29", share: 1 }], seed)("wash", 1, 1.5),
    );
    expect(again).toEqual(swatches("wash", 1, 1.5));
    expect(deltaE00(lab(other!), lab(again!))).toBeGreaterThan(1);
  });
  test("run from neat to pale, stand on white paper, and nearly vanish on the line when transparent", () => {
    const lightness = [0, 1.5, 6, 20].map((water, i) => lab(swatches("wash", i, water)).L);
    expect([...lightness].sort((a, b) => a - b)).toEqual(lightness);
    expect(deltaE00(lab(swatches("bare paper", 0, 0)), lab(PAPERS[0].reflectance))).toBeLessThan(4);
    expect(Math.abs(lab(swatches("across on line", 4, 1.5)).L - lab(swatches("bare line", 4, 0)).L)).toBeLessThan(12);
  });
});
