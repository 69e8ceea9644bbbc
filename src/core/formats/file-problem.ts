import type { SpectrumGap } from "../colour/resample";

/** What is wrong with a file: a code, and the figures that are told with it. Rooms put it into words. */
export type FileProblem =
  | { readonly code: "no table" }
  | { readonly code: "too many lines"; readonly most: number }
  | { readonly code: "no colours named" }
  | { readonly code: "neither spectra nor lab" }
  | { readonly code: "lab is no number"; readonly in: "line" | "row"; readonly at: number }
  | { readonly code: "value missing" }
  | { readonly code: "not reflectance" }
  | SpectrumGap
  | { readonly code: "section missing"; readonly begin: string; readonly end: string }
  | { readonly code: "ragged rows"; readonly values: number; readonly fields: number }
  | { readonly code: "no palette colour"; readonly line: number };

/** A file can't be read; `problem` says why. */
export class FileError extends RangeError {
  constructor(readonly problem: FileProblem) {
    super(problem.code);
  }
}

/** What is wrong with one line of a table of paints: a code, and what was found there. */
export type LineProblem =
  | { readonly code: "cell too long"; readonly most: number }
  | { readonly code: "no name" }
  | ({ readonly paint: string } & PigmentProblem);

/** Why pigments can't be read from a cell. */
export type PigmentProblem =
  | { readonly code: "pigments too long" }
  | { readonly code: "no pigment" }
  | { readonly code: "no index name"; readonly piece: string }
  | { readonly code: "unknown pigment"; readonly written: string }
  | { readonly code: "share not above 0"; readonly written: string };
