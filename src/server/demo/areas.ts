import type { PaintingArea } from "@/model/painting";

type Outline = readonly (readonly [x: number, y: number])[];

/**
 * An area of the demo as a painter would draw it: rough outlines in shares of the photo, drawn to its edges when it is
 * laid out.
 */
export interface DemoArea extends Pick<PaintingArea, "name"> {
  readonly outlines: readonly Outline[];
  readonly plane?: PaintingArea["plane"];
  readonly light?: PaintingArea["light"];
  readonly weight?: PaintingArea["weight"];
  /** Later layers lie over earlier ones. */
  readonly layer: number;
  /** Laid as the photo suggests, in several colours; flat if not: a painter would not trouble with more here. */
  readonly asPhoto?: true;
}

/** The demo's areas in the order of the list. */
export const DEMO_AREAS: readonly DemoArea[] = [
  {
    name: "Afterglow low in the sky",
    layer: 1,
    plane: "far",
    light: "lit",
    outlines: [
      [
        [0, 0.475],
        [0.13, 0.485],
        [0.165, 0.52],
        [0.165, 0.655],
        [0, 0.66],
      ],
    ],
  },
  {
    name: "Rose cloud",
    asPhoto: true,
    layer: 1,
    plane: "far",
    light: "lit",
    weight: 0.5,
    outlines: [
      [
        [0, 0.06],
        [0.37, 0.06],
        [0.39, 0.13],
        [0.48, 0.17],
        [0.5, 0.21],
        [0.44, 0.22],
        [0.42, 0.34],
        [0.33, 0.29],
        [0.15, 0.26],
        [0, 0.2],
      ],
      [
        [0.44, 0.23],
        [0.52, 0.22],
        [0.68, 0.29],
        [0.6, 0.33],
        [0.55, 0.32],
        [0.53, 0.4],
        [0.44, 0.34],
      ],
    ],
  },
  {
    name: "Blue between the clouds",
    layer: 0,
    plane: "far",
    outlines: [
      [
        [0, 0],
        [1, 0],
        [1, 0.67],
        [0, 0.66],
      ],
    ],
  },
  {
    name: "Violet bank of cloud",
    asPhoto: true,
    layer: 1,
    plane: "far",
    weight: 0.5,
    outlines: [
      [
        [0.79, 0.36],
        [0.9, 0.34],
        [1, 0.32],
        [1, 0.445],
        [0.87, 0.455],
        [0.8, 0.4],
      ],
    ],
  },
  {
    name: "Brick in the sun",
    asPhoto: true,
    layer: 4,
    plane: "middle",
    light: "lit",
    weight: 4,
    outlines: [
      [
        [0.588, 0.485],
        [0.695, 0.31],
        [0.83, 0.455],
        [0.827, 0.755],
        [0.588, 0.72],
      ],
      [
        [0.762, 0.27],
        [0.79, 0.268],
        [0.79, 0.36],
        [0.762, 0.345],
      ],
    ],
  },
  {
    name: "Brick in shade",
    layer: 4,
    plane: "middle",
    light: "shade",
    weight: 2,
    outlines: [
      [
        [0.826, 0.47],
        [0.905, 0.49],
        [0.92, 0.6],
        [0.918, 0.775],
        [0.826, 0.757],
      ],
    ],
  },
  {
    name: "Poplars",
    asPhoto: true,
    layer: 3,
    plane: "middle",
    outlines: [
      [
        [0.333, 0.25],
        [0.346, 0.37],
        [0.354, 0.5],
        [0.353, 0.6],
        [0.345, 0.655],
        [0.325, 0.655],
        [0.318, 0.55],
        [0.322, 0.4],
      ],
      [
        [0.433, 0.205],
        [0.443, 0.34],
        [0.458, 0.52],
        [0.459, 0.58],
        [0.45, 0.655],
        [0.427, 0.655],
        [0.415, 0.57],
        [0.424, 0.4],
      ],
      [
        [0.287, 0.34],
        [0.302, 0.5],
        [0.297, 0.655],
        [0.28, 0.655],
        [0.274, 0.5],
      ],
      [
        [0.246, 0.36],
        [0.261, 0.5],
        [0.256, 0.65],
        [0.236, 0.65],
        [0.234, 0.5],
      ],
      [
        [0.211, 0.42],
        [0.224, 0.55],
        [0.218, 0.645],
        [0.203, 0.645],
        [0.198, 0.55],
      ],
      [
        [0.186, 0.44],
        [0.196, 0.58],
        [0.19, 0.645],
        [0.178, 0.645],
        [0.176, 0.57],
      ],
      [
        [0.167, 0.48],
        [0.175, 0.6],
        [0.172, 0.645],
        [0.16, 0.645],
        [0.16, 0.58],
      ],
    ],
  },
  {
    name: "Wet bank",
    layer: 2,
    plane: "near",
    light: "shade",
    outlines: [
      [
        [0.17, 0.658],
        [0.6, 0.648],
        [0.6, 0.71],
        [0.52, 0.722],
        [0.54, 0.79],
      ],
      [
        [0.6, 0.73],
        [0.83, 0.757],
        [0.93, 0.78],
        [1, 0.83],
        [1, 0.955],
        [0.83, 0.895],
        [0.6, 0.815],
      ],
    ],
  },
  {
    name: "Roof",
    layer: 4,
    plane: "middle",
    light: "shade",
    outlines: [
      [
        [0.7, 0.305],
        [0.74, 0.31],
        [0.8, 0.355],
        [0.912, 0.492],
        [0.83, 0.465],
      ],
    ],
  },
  {
    name: "Canal",
    asPhoto: true,
    layer: 1,
    plane: "near",
    outlines: [
      [
        [0.06, 0.64],
        [0.17, 0.66],
        [0.54, 0.792],
        [0.6, 0.815],
        [1, 0.94],
        [1, 1],
        [0, 1],
        [0, 0.7],
      ],
    ],
  },
  {
    name: "Reeds",
    layer: 3,
    plane: "near",
    light: "shade",
    outlines: [
      [
        [0, 0.755],
        [0.06, 0.745],
        [0.09, 0.82],
        [0.15, 0.92],
        [0.16, 1],
        [0, 1],
      ],
    ],
  },
  {
    name: "Brick in the water",
    layer: 2,
    plane: "near",
    light: "shade",
    outlines: [
      [
        [0.6, 0.86],
        [0.7, 0.85],
        [0.825, 0.885],
        [0.827, 1],
        [0.605, 1],
      ],
    ],
  },
];
