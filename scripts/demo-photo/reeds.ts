import { valueNoise } from "@/core/optics/wash-pixels";

/** A picture in linear light, three numbers a pixel. */
export interface LinearImage {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/** Reeds of the near bank, bottom left: bent blades and seed heads against the water, nearest last. */
export function paintReeds({ width, height, data }: LinearImage): void {
  const random = (i: number, k: number): number => 0.5 + 0.5 * valueNoise(i * 13.7 + 0.5, k * 7.3 + 0.5, 500 + k);
  const plot = (x: number, y: number, radius: number, colour: readonly number[], cover: number): void => {
    for (let j = Math.floor(y - radius - 1); j <= y + radius + 1; j++) {
      for (let i = Math.floor(x - radius - 1); i <= x + radius + 1; i++) {
        if (i < 0 || j < 0 || i >= width || j >= height) continue;
        const a = cover * Math.min(1, Math.max(0, radius + 0.5 - Math.hypot(i - x, j - y)));
        for (let c = 0; c < 3; c++) {
          const at = 3 * (j * width + i) + c;
          data[at]! += (colour[c]! - data[at]!) * a;
        }
      }
    }
  };
  const blades = 620;
  for (let n = 0; n < blades; n++) {
    const nearness = n / blades;
    const foot =
      Math.pow(random(n, 1), 1.5) * (0.2 + 0.34 * nearness) * width * (0.55 + 0.6 * random(n, 2)) - 0.03 * width;
    const base = height * (0.86 + 0.2 * nearness);
    const tall =
      height * (0.09 + 0.2 * random(n, 3) * random(n, 4)) * (0.55 + 0.75 * nearness) * (1.25 - foot / (0.62 * width));
    const bend = (random(n, 5) - 0.35) * 0.5 * tall;
    const thick = (0.7 + 1.5 * random(n, 6)) * (0.6 + 0.8 * nearness) * (width / 2400);
    const warm = random(n, 7);
    const colour = [0.03 + 0.17 * warm * warm, 0.032 + 0.1 * warm * warm, 0.014 + 0.025 * warm];
    const steps = Math.ceil(tall * 1.2);
    for (let s = 0; s <= steps; s++) {
      const t = s / steps;
      const light = 0.55 + 0.75 * t;
      plot(
        foot + bend * t * t,
        base - tall * t,
        thick * (1 - 0.75 * t),
        colour.map((c) => c * light),
        0.92,
      );
    }
    if (random(n, 8) > 0.72) {
      for (let s = 0; s < 26; s++) {
        plot(
          foot + bend + 0.5 * s * Math.sign(bend),
          base - tall - s * 1.1 + 0.03 * s * s,
          thick * (2 - s / 18),
          [0.13, 0.075, 0.035],
          0.7,
        );
      }
    }
  }
}
