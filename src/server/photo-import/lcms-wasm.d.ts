declare module "lcms-wasm" {
  /** Handles are addresses in the engine's memory; 0 is none. */
  type Handle = number;
  interface Lcms {
    cmsOpenProfileFromMem(bytes: Uint8Array, length: number): Handle;
    cmsCloseProfile(profile: Handle): void;
    cmsCreateTransform(
      from: Handle,
      fromFormat: number,
      to: Handle,
      toFormat: number,
      intent: number,
      flags: number,
    ): Handle;
    cmsDeleteTransform(transform: Handle): void;
    /** `size` pixels of 16 bits a channel. */
    cmsDoTransform(transform: Handle, pixels: Uint16Array, size: number): Uint16Array;
  }
  export function instantiate(): Promise<Lcms>;
  export const TYPE_GRAY_16: number;
  export const TYPE_RGB_16: number;
  export const INTENT_RELATIVE_COLORIMETRIC: number;
  export const cmsFLAGS_HIGHRESPRECALC: number;
}
