import { clamp01, dot, fbm, mix, plus, smooth, times, unit, by, type Vec } from "./noise";
import { valueNoise } from "@/core/optics/wash-pixels";
import {
  ANNEX,
  type Body,
  brick,
  CHIMNEY,
  gable,
  HALF_DEPTH,
  HALF_WIDTH,
  HOUSE,
  ROOF,
  SLUICE,
  tiles,
  wall,
  type Hit,
} from "./pump-house";
import { HAZE, sky, SUN, SUN_LIGHT } from "./sky";

const WATER_LEVEL = -0.85;
const BODIES: readonly Body[] = [HOUSE, ROOF, CHIMNEY, ANNEX, SLUICE];

/** Signed distance in metres into the canal (positive is water): it runs from the right foreground to the far left. */
function canal(x: number, z: number): number {
  const wobble = 0.5 * fbm(z * 0.13, x * 0.13, 3, 11);
  const right = 2.0 - 0.44 * (z - 24) - x;
  const left = x - (-10.2 - 0.44 * (z - 24) - 0.012 * Math.max(0, 24 - z) ** 2);
  return Math.min(right, left) * 0.91 + wobble;
}

/** Poplars: foot, height and half-width in metres. */
const POPLARS: readonly (readonly [x: number, z: number, height: number, half: number])[] = [
  [-2.2, 44, 15.5, 1.55],
  [-8.4, 54, 17, 1.7],
  [-13.3, 65, 15.8, 1.6],
  [-19.2, 77, 17.6, 1.8],
  [-25.6, 90, 16.6, 1.7],
  [-33, 106, 17.5, 1.8],
  [-42, 126, 16.5, 1.8],
  [-54, 150, 17, 1.9],
  [-68, 182, 17, 2],
  [30, 96, 14, 2.6],
  [36, 104, 12, 3.4],
  [44, 112, 13, 3],
];

interface Seen {
  readonly t: number;
  readonly colour: Vec;
  /** 0 clear to 1 solid. */
  readonly cover: number;
}

function hazed(colour: Vec, distance: number, direction: Vec): Vec {
  const flat = unit([direction[0], 0, direction[2]]);
  const glow = Math.pow(0.5 + 0.5 * dot(flat, unit([SUN[0], 0, SUN[2]])), 2);
  const air = mix(HAZE, [1.1, 0.62, 0.36], glow);
  return mix(colour, air, 1 - Math.exp(-distance / 520));
}

function inShadow(p: Vec, normal: Vec): boolean {
  const from = plus(p, times(normal, 0.02));
  return BODIES.some((body) => body.hit(from, SUN) !== null);
}

/** Sun, blue light from above, warm light thrown back from the ground. */
function lit(albedo: Vec, normal: Vec, sunlit: number): Vec {
  const sun = times(SUN_LIGHT, Math.max(0, dot(normal, SUN)) * sunlit);
  const above = times([0.3, 0.33, 0.47], 0.55 + 0.45 * normal[1]);
  const below = times([0.2, 0.13, 0.075], 0.5 - 0.5 * normal[1]);
  const west = times([0.42, 0.22, 0.12], 0.5 + 0.5 * Math.max(-1, dot(normal, unit([SUN[0], 0, SUN[2]]))));
  return by(albedo, plus(plus(sun, above), plus(below, west)));
}

function bodyColour(body: Body, hit: Hit, p: Vec, direction: Vec): Vec {
  const q = body.local(p);
  const y = q[1];
  const shadow = inShadow(p, hit.normal) ? 0 : 1;
  let albedo: Vec;
  if (body === ROOF || (body === HOUSE && hit.face >= 4)) {
    albedo =
      hit.face >= 4 && hit.face <= 5
        ? tiles(q[2], Math.hypot(q[0], y))
        : hit.face < 2
          ? [0.13, 0.11, 0.1]
          : hit.face === 6
            ? [0.07, 0.06, 0.06]
            : gable(q[0], y, 110 + hit.face);
  } else if (body === HOUSE) {
    const long = hit.face < 2;
    albedo = long
      ? wall(q[2], y, HALF_DEPTH, 100 + hit.face, [-2.7, -0.9, 0.9, 2.7], null)
      : wall(q[0], y, HALF_WIDTH, 110 + hit.face, [-1.75, 1.75], 0);
  } else if (body === SLUICE)
    albedo = times([0.2, 0.185, 0.165], 0.7 + 0.6 * (0.5 + 0.5 * fbm(q[0] * 2 + q[2], y * 2, 4, 77)));
  else albedo = brick(hit.face < 2 ? q[2] : q[0], y, 140);
  if (albedo[0] < 0) {
    const mirrored = plus(direction, times(hit.normal, -2 * dot(direction, hit.normal)));
    return plus([0.012, 0.013, 0.016], times(sky(unit([mirrored[0], Math.abs(mirrored[1]) + 0.03, mirrored[2]])), 0.2));
  }
  return lit(albedo, hit.normal, shadow);
}

function poplars(origin: Vec, direction: Vec, limit: number): readonly Seen[] {
  const seen: Seen[] = [];
  POPLARS.forEach(([x, z, height, half], i) => {
    const t = (z - origin[2]) / direction[2];
    if (t <= 0 || t > limit) return;
    const across = origin[0] + t * direction[0] - x;
    const up = (origin[1] + t * direction[1]) / height;
    if (up < -0.06 || up > 0.995 || Math.abs(across) > 2.4 * half) return;
    const leaf = fbm(across * 1.15 + 40 * i, up * height * 0.5, 6, 200 + i);
    const fine = fbm(across * 5 + 40 * i, up * height * 3.2, 3, 230 + i);
    const profile = half * Math.pow(clamp01(up * 3.4), 0.55) * Math.pow(clamp01(1 - up), 0.7) * (1 + 0.42 * leaf);
    const body = profile - Math.abs(across) + (0.35 * leaf + 0.28 * fine) * smooth(1.02, 0.8, up);
    const trunk = up < 0.16 ? smooth(0.2, 0.08, Math.abs(across)) : 0;
    const cover = Math.max(smooth(0.02, 0.24, body) * (0.98 - 0.3 * smooth(0.16, 0.46, fine)), trunk);
    if (cover < 0.01) return;
    const side = clamp01(0.5 - across / (2.1 * half) + 0.55 * leaf);
    const shade: Vec = [0.02, 0.03, 0.028];
    const light: Vec = [0.42, 0.24, 0.055];
    const foliage = mix(shade, light, side * side * smooth(-0.2, 0.35, leaf + 0.6 * fine));
    seen.push({ t, colour: hazed(foliage, t, direction), cover });
  });
  return seen.sort((a, b) => b.t - a.t);
}

function farLand(direction: Vec): Vec | null {
  const flat = Math.hypot(direction[0], direction[2]);
  const elevation = direction[1] / flat;
  const bearing = Math.atan2(direction[0], direction[2]);
  const dyke = 0.0115 + 0.0012 * fbm(bearing * 5, 0, 3, 61);
  const trees = 0.012 + 0.011 * Math.max(0, fbm(bearing * 16, 0, 5, 63) + 0.1) * smooth(-0.1, 0.35, bearing);
  const height = Math.max(dyke, trees);
  if (elevation > height || elevation < 0) return null;
  const slope = elevation / height;
  const colour: Vec = elevation > dyke ? [0.13, 0.12, 0.15] : mix([0.17, 0.155, 0.13], [0.2, 0.17, 0.15], slope);
  return hazed(times(colour, 0.9 + 0.4 * fbm(bearing * 60, elevation * 300, 3, 66)), 430, direction);
}

function field(p: Vec, distance: number, direction: Vec, depth: number): Vec {
  const near = smooth(60, 8, distance);
  const furrow = fbm(p[0] * 0.35 + p[2] * 0.09, p[2] * 0.09, 5, 81);
  const tuft = fbm(p[0] * 2.6, p[2] * 1.3, 5, 84);
  const blade = valueNoise(p[0] * 24, p[2] * 7, 87) * near;
  const grass = mix([0.085, 0.082, 0.03], [0.2, 0.155, 0.055], clamp01(0.45 + 0.8 * tuft + 0.3 * blade));
  const mud: Vec = [0.105, 0.078, 0.055];
  const ground = mix(grass, mud, smooth(-0.05, 0.28, furrow + 0.3 * tuft));
  const normal = unit([0.5 * tuft + 0.4 * blade, 1, 0.3 * furrow]);
  const shade = inShadow(p, [0, 1, 0]) ? 0.0 : 1;
  let colour = lit(ground, normal, shade * (0.75 + 0.5 * tuft));
  const pool =
    smooth(0.06, 0.13, fbm(p[0] * 0.16 - 0.05 * p[2], p[2] * 0.055, 4, 95) - 0.1 * tuft) *
    smooth(0.6, 2.2, -canal(p[0], p[2]));
  if (pool > 0 && depth > 0) {
    const ripple = 0.008 * valueNoise(p[0] * 3, p[2] * 2, 99);
    const mirrored = unit([direction[0] + ripple, Math.abs(direction[1]), direction[2]]);
    colour = mix(colour, times(trace(plus(p, [0, 0.02, 0]), mirrored, depth - 1), 0.8), 0.88 * pool);
  }
  return hazed(colour, distance, direction);
}

function water(p: Vec, distance: number, direction: Vec, depth: number): Vec {
  const calm = 0.45 + 0.55 * smooth(-0.15, 0.25, fbm(p[0] * 0.12, p[2] * 0.05, 3, 160));
  const scale = 1 / (1 + distance * 0.02);
  const swell = fbm(p[0] * 0.9, p[2] * 2.4, 4, 150);
  const dx = (0.016 * swell + 0.008 * valueNoise(p[0] * 5, p[2] * 9, 155)) * calm * scale;
  const dz =
    (0.05 * fbm(p[0] * 0.8 + 9, p[2] * 2.2, 4, 152) + 0.02 * valueNoise(p[0] * 4.4, p[2] * 10, 157)) * calm * scale;
  const normal = unit([dx, 1, dz]);
  const along = dot(direction, normal);
  const mirrored = plus(direction, times(normal, -2 * along));
  const reflectance = 0.03 + 0.97 * Math.pow(1 - clamp01(-along), 4.4);
  const body: Vec = [0.05, 0.052, 0.036];
  const reflected =
    depth > 0 ? trace(p, unit([mirrored[0], Math.max(0.003, mirrored[1]), mirrored[2]]), depth - 1) : sky(mirrored);
  return hazed(plus(times(body, 1 - reflectance), times(reflected, 0.93 * reflectance)), distance * 0.6, direction);
}

function bank(p: Vec, distance: number, direction: Vec): Vec {
  const reed = fbm(p[0] * 3, p[1] * 4 + p[2] * 3, 5, 170);
  const colour = mix(
    [0.035, 0.034, 0.02],
    [0.16, 0.115, 0.045],
    clamp01(0.4 + 0.9 * reed + 0.4 * (p[1] - WATER_LEVEL)),
  );
  return hazed(lit(colour, unit([-0.3, 1, -0.4]), inShadow(p, [0, 1, 0]) ? 0 : 0.7), distance, direction);
}

/** Linear light that comes along a ray. */
export function trace(origin: Vec, direction: Vec, depth: number): Vec {
  let t = Infinity;
  let body: Body | null = null;
  let hit: Hit | null = null;
  for (const candidate of BODIES) {
    const found = candidate.hit(origin, direction);
    if (found && found.t < t) {
      t = found.t;
      hit = found;
      body = candidate;
    }
  }
  const at = (s: number): Vec => plus(origin, times(direction, s));
  let colour: Vec | null = null;
  if (direction[1] < 0) {
    const land = -origin[1] / direction[1];
    const p = land > 0 ? at(land) : null;
    if (p && canal(p[0], p[2]) <= 0) {
      if (land < t) {
        t = land;
        colour = field(p, land, direction, depth);
      }
    } else {
      const low = (WATER_LEVEL - origin[1]) / direction[1];
      const w = at(low);
      if (low < t) {
        t = low;
        const deep = canal(w[0], w[2]);
        colour = deep > 0.25 ? water(w, low, direction, depth) : bank(at(low * 0.985), low, direction);
      }
    }
  }
  if (!colour)
    colour =
      body && hit && t < Infinity
        ? hazed(bodyColour(body, hit, at(t), direction), t, direction)
        : (farLand(direction) ?? sky(direction));
  for (const tree of poplars(origin, direction, t)) colour = mix(colour, tree.colour, tree.cover);
  return colour;
}
