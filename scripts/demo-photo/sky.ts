import { clamp01, dot, fbm, mix, plus, smooth, times, unit, type Vec } from "./noise";

/** Towards the sun: low, left, a little ahead. */
export const SUN: Vec = unit([-0.97, 0.085, 0.02]);
export const SUN_LIGHT: Vec = [4.1, 1.75, 0.6];
/** Linear light of the haze at the horizon away from the sun. */
export const HAZE: Vec = [0.56, 0.43, 0.44];

function clear(direction: Vec): Vec {
  const e = Math.max(0, direction[1]);
  const flat = unit([direction[0], 0, direction[2]]);
  const towardsSun = 0.5 + 0.5 * dot(flat, unit([SUN[0], 0, SUN[2]]));
  const glow = Math.pow(towardsSun, 2.2);
  const horizon = mix([0.6, 0.4, 0.42], [1.9, 0.86, 0.27], glow);
  const low = mix([0.5, 0.42, 0.5], [1.25, 0.76, 0.4], glow);
  const middle = mix([0.22, 0.32, 0.5], [0.46, 0.53, 0.56], glow);
  const high = mix([0.075, 0.15, 0.34], [0.12, 0.22, 0.4], glow);
  let colour = mix(horizon, low, smooth(0, 0.09, e));
  colour = mix(colour, middle, smooth(0.05, 0.26, e));
  return mix(colour, high, smooth(0.2, 0.75, e));
}

/** Sky with its clouds in one direction, linear light. */
export function sky(direction: Vec): Vec {
  const up = Math.max(0.004, direction[1]);
  let colour = clear(direction);
  const flat = unit([direction[0], 0, direction[2]]);
  const glow = Math.pow(0.5 + 0.5 * dot(flat, unit([SUN[0], 0, SUN[2]])), 1.6);

  // High streaks, lit from below.
  const px = direction[0] / (up + 0.09);
  const pz = direction[2] / (up + 0.09);
  const warp = 0.7 * fbm(px * 0.5, pz * 0.5, 3, 70);
  const streak = fbm(px * 0.34 + warp, pz * 0.95 - 0.35 * px + warp, 6, 20);
  const veil = smooth(0.03, 0.44, streak) * smooth(0.03, 0.12, up);
  const lit = mix([0.85, 0.42, 0.38], [1.8, 0.76, 0.3], glow);
  const upper = mix(lit, [0.46, 0.42, 0.5], smooth(0.22, 0.5, up));
  colour = mix(colour, upper, 0.72 * veil);

  // Heaped clouds: violet bodies with edges that catch the last light.
  const cx = Math.atan2(direction[0], direction[2]) * 2.6;
  const cy = up * 9.5;
  const at = (x: number, y: number): number => fbm(x + 0.35 * fbm(x * 2, y * 2, 3, 91), y * 1.5, 6, 40);
  const body = at(cx, cy) + 0.16 - 0.2 * Math.abs(cy - 1.15) + 0.1 * Math.sin(cx * 1.1 + 2);
  const cover = smooth(0.02, 0.2, body);
  if (cover > 0) {
    const edge = clamp01(
      (body - (at(cx - 0.1, cy - 0.06) + 0.16 - 0.2 * Math.abs(cy - 1.21) + 0.1 * Math.sin(cx * 1.1 + 1.9))) * 4.5 +
        0.32,
    );
    const shade = mix([0.26, 0.235, 0.33], [0.4, 0.29, 0.34], glow);
    const light = mix([1.05, 0.56, 0.46], [2.1, 1.05, 0.46], glow);
    colour = mix(colour, mix(shade, light, edge * edge), 0.86 * cover);
  }
  const disc = Math.max(0, dot(direction, SUN));
  return plus(colour, times([1.2, 0.6, 0.18], 0.55 * Math.pow(disc, 24)));
}
