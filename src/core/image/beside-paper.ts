import type { Lab, Rgb, Xyz } from "../colour/colour";
import { xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz } from "../colour/lab";
import { bradford } from "./white";

/** Bare paper darker than this in a photo is in shadow, or no paper: linear light. From memory. */
const LEAST_PAPER_LIGHT = 0.08;

/**
 * The colour of a swatch from a photo in which the bare paper beside it is seen: the photo's light is taken out by what
 * it makes of the paper, whose own colour is known (Bradford adaptation, then the paper's luminance).
 * @param swatch, paper linear Display P3 as the photo has them
 * @param paperXyz the sheet's own colour, Y = 1 for a perfect diffuser
 * @returns null when what was shown as paper is too dark for it, or darker than the swatch
 */
export function colourBesidePaper(swatch: Rgb, paper: Rgb, paperXyz: Xyz): Lab | null {
  const [seen, light] = [xyzOfLinearP3(swatch), xyzOfLinearP3(paper)];
  if (light.Y < LEAST_PAPER_LIGHT || seen.Y > 1.05 * light.Y) return null;
  const unit = ({ X, Y, Z }: Xyz): Xyz => ({ X: X / Y, Y: 1, Z: Z / Y });
  const m = bradford(unit(light), unit(paperXyz));
  const scale = paperXyz.Y / light.Y;
  const row = (i: number): number => scale * (m[3 * i]! * seen.X + m[3 * i + 1]! * seen.Y + m[3 * i + 2]! * seen.Z);
  return labOfXyz({ X: row(0), Y: row(1), Z: row(2) });
}
