import { WHITE_D65 } from "../colour/cie-tables";
import type { Lab } from "../colour/colour";
import { labOfXyz, lightnessOfLuminance, lchOfLab, xyzOfLab } from "../colour/lab";
import { luminanceOfValue, valueOfLuminance } from "../colour/munsell-value";
import { linearSrgbOfOklab, oklabOfLinearSrgb } from "../colour/oklab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../colour/srgb";
import { xyzOfReflectance } from "../colour/xyz";
import type { Paper } from "../optics/paper";
import { paintedValue, type CurveValues } from "./value-curve";

/** What the painter wants of an area's colour, beside its value. */
export type Wish =
  | { readonly way: "follow" }
  /** OKLab chroma times `by`: above 1 brighter, below muted. */
  | { readonly way: "heighten"; readonly by: number }
  /** Hue turned by so many degrees of CIELAB hue angle, value and chroma kept. */
  | { readonly way: "turn"; readonly degrees: number };

/** The photo's colour as the painter wishes it, value unchanged. */
export function wished(lab: Lab, wish: Wish): Lab {
  if (wish.way === "follow") return lab;
  if (wish.way === "turn") {
    const { C, h } = lchOfLab(lab);
    const angle = ((h + wish.degrees) * Math.PI) / 180;
    return { L: lab.L, a: C * Math.cos(angle), b: C * Math.sin(angle) };
  }
  const ok = oklabOfLinearSrgb(linearSrgbOfXyz(xyzOfLab(lab)));
  const raised = labOfXyz(xyzOfLinearSrgb(linearSrgbOfOklab({ L: ok.L, a: ok.a * wish.by, b: ok.b * wish.by })));
  // OKLab lightness is not CIE lightness: the value the eye checks first is put back exactly.
  return { ...raised, L: lab.L };
}

/** CIE lightness of a luminance. */

/**
 * The colour to paint for a photo's colour: wished, its value brought to the medium by a curve,
 * and seen relative to the paper, whose white stands for the photo's (media-relative colorimetry,
 * ICC.1:2022, annex D.6: tristimulus values are scaled by the paper's).
 */
export function targetColour(lab: Lab, wish: Wish, curve: CurveValues, paper: Paper): Lab {
  const want = wished(lab, wish);
  const value = valueOfLuminance(xyzOfLab(want).Y);
  const Y = luminanceOfValue(paintedValue(value, curve));
  const white = xyzOfReflectance(paper.reflectance);
  const relative = xyzOfLab({ L: lightnessOfLuminance(Math.min(1, Y / white.Y)), a: want.a, b: want.b });
  return labOfXyz({
    X: (relative.X * white.X) / WHITE_D65[0],
    Y: relative.Y * white.Y,
    Z: (relative.Z * white.Z) / WHITE_D65[2],
  });
}
