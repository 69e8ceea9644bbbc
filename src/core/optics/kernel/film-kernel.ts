import { BANDS, type Spectrum } from "../../colour/bands";
import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z, WHITE_D65 } from "../../colour/cie-tables";
import { filmLab } from "../film-colour";
import type { Load } from "../load";
import type { Paper } from "../paper";
import { DRY_SURFACE } from "../surface";
import { GRANULATION_GAIN, textureOf } from "../texture";
import { FILM_KERNEL_BASE64 } from "./film-kernel-bytes";

/** What the film model needs of a paint. */
export interface FilmPaint {
  readonly optics: { readonly K: Spectrum; readonly S: Spectrum };
  readonly granulation: number;
}

/**
 * Computes dry colours of many mixes on one paper: put mixes into slots, run, read Lab. Paints are
 * named by their index; a mix of fewer than three repeats an index with share 0. Shares sum to 1.
 */
export interface FilmComputer {
  /** Slots that fit into one run. */
  readonly capacity: number;
  put(slot: number, p0: number, p1: number, p2: number, c0: number, c1: number, c2: number, load: Load): void;
  /** L, a, b of the first `count` slots, one after another; valid until the next run. */
  run(count: number): Float32Array;
}

/** Paints that one computer can hold. */
export const MAX_PAINTS = 512;

const MIX_WORDS = 7;

interface KernelExports {
  readonly memory: WebAssembly.Memory;
  groundAt(): number;
  paintAt(index: number): number;
  granulationAt(): number;
  mixesAt(): number;
  evaluate(
    count: number,
    roughness: number,
    gain: number,
    k1: number,
    k2: number,
    whiteX: number,
    whiteZ: number,
  ): void;
}

let compiled: WebAssembly.Module | null | undefined;

/** The compiled kernel, or null where WebAssembly with SIMD is not to be had. */
function kernelModule(): WebAssembly.Module | null {
  if (compiled !== undefined) return compiled;
  const bytes = Uint8Array.from(atob(FILM_KERNEL_BASE64), (c) => c.charCodeAt(0));
  try {
    compiled = new WebAssembly.Module(bytes);
  } catch {
    compiled = null;
  }
  return compiled;
}

function simdComputer(module: WebAssembly.Module, paints: readonly FilmPaint[], paper: Paper): FilmComputer {
  const kernel = new WebAssembly.Instance(module, { env: { abort: () => {} } }).exports as unknown as KernelExports;
  const floats = new Float32Array(kernel.memory.buffer);
  const integers = new Int32Array(kernel.memory.buffer);
  const ground = kernel.groundAt() / 4;
  [paper.ground, WEIGHT_X, WEIGHT_Y, WEIGHT_Z].forEach((row, i) => floats.set(row, ground + i * BANDS));
  paints.forEach(({ optics, granulation }, i) => {
    floats.set(optics.K, kernel.paintAt(i) / 4);
    floats.set(optics.S, kernel.paintAt(i) / 4 + BANDS);
    floats[kernel.granulationAt() / 4 + i] = granulation;
  });
  const mixes = kernel.mixesAt() / 4;
  const capacity = Math.floor((floats.length - mixes) / (MIX_WORDS + 3));
  return {
    capacity,
    put(slot, p0, p1, p2, c0, c1, c2, load) {
      const at = mixes + MIX_WORDS * slot;
      integers[at] = p0;
      integers[at + 1] = p1;
      integers[at + 2] = p2;
      floats[at + 3] = c0;
      floats[at + 4] = c1;
      floats[at + 5] = c2;
      floats[at + 6] = load;
    },
    run(count) {
      kernel.evaluate(
        count,
        paper.roughness,
        GRANULATION_GAIN,
        DRY_SURFACE.k1,
        DRY_SURFACE.k2,
        WHITE_D65[0],
        WHITE_D65[2],
      );
      return floats.subarray(mixes + MIX_WORDS * count, mixes + (MIX_WORDS + 3) * count);
    },
  };
}

/** The same in plain double precision: the kernel's measure, and its stand-in on old machines. */
export function plainComputer(paints: readonly FilmPaint[], paper: Paper): FilmComputer {
  const capacity = 4096;
  const slots = new Float64Array(capacity * MIX_WORDS);
  const K = new Float64Array(BANDS);
  const S = new Float64Array(BANDS);
  const lab = new Float64Array(3);
  const out = new Float32Array(3 * capacity);
  return {
    capacity,
    put(slot, ...words) {
      slots.set(words, MIX_WORDS * slot);
    },
    run(count) {
      for (let slot = 0; slot < count; slot++) {
        const at = MIX_WORDS * slot;
        K.fill(0);
        S.fill(0);
        let granulation = 0;
        for (let p = 0; p < 3; p++) {
          const share = slots[at + 3 + p]!;
          const { optics, granulation: grain } = paints[slots[at + p]!]!;
          granulation += share * grain;
          for (let i = 0; i < BANDS; i++) {
            K[i]! += share * optics.K[i]!;
            S[i]! += share * optics.S[i]!;
          }
        }
        const texture = textureOf(paper.roughness, granulation);
        filmLab(K, S, slots[at + 6]!, paper, texture.loads, texture.weights, lab);
        out.set(lab, 3 * slot);
      }
      return out.subarray(0, 3 * count);
    },
  };
}

/**
 * A computer for these paints on this paper: WebAssembly SIMD over all 36 bands and three texture
 * points in single precision. Throws a RangeError for more than 512 paints.
 */
export function filmComputer(paints: readonly FilmPaint[], paper: Paper): FilmComputer {
  if (paints.length > MAX_PAINTS) throw new RangeError(`At most ${MAX_PAINTS} paints can be mixed from at once.`);
  const module = kernelModule();
  return module ? simdComputer(module, paints, paper) : plainComputer(paints, paper);
}
