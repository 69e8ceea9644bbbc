declare module "spectral.js" {
  export class Color {
    constructor(css: string);
    readonly OKLab: readonly number[];
  }
  export function mix(...parts: readonly (readonly [Color, number])[]): Color;
}
