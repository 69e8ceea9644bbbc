import { FileError, type FileProblem, type LineProblem } from "@/core/formats";

/** Why a file can't be read, and what was looked for, in a painter's words. */
function fileWords(problem: FileProblem): string {
  switch (problem.code) {
    case "no table":
      return "The file holds no table: a first line that names the columns, then a line for each paint.";
    case "too many lines":
      return (
        `The table has more than ${problem.most.toLocaleString("en")} lines. ` +
        "Split it and bring the parts one by one."
      );
    case "no colours named":
      return "No wavelengths and no columns L, a and b were found in the file's first line.";
    case "neither spectra nor lab":
      return "The file has neither spectra nor Lab colours.";
    case "lab is no number":
      return `${problem.in === "line" ? "Line" : "Row"} ${problem.at} of the file has a Lab value that is no number.`;
    case "value missing":
      return "A value of the spectrum is missing or no number.";
    case "not reflectance":
      return "A reflectance lies outside 0 to 160 %.";
    case "spectrum too short":
      return `A spectrum must reach from ${problem.fromNm} to ${problem.toNm} nm.`;
    case "spectrum too coarse":
      return `A spectrum must have a value at least every ${problem.coarsestNm} nm.`;
    case "section missing":
      return `The file is no whole CGATS text: ${problem.begin} or ${problem.end} is missing.`;
    case "ragged rows":
      return `The file is no whole CGATS text: ${problem.values} values don't fill rows of ${problem.fields}.`;
    case "no palette colour":
      return (
        `Line ${problem.line} of the palette is no colour: ` + "three numbers from 0 to 255 and a name are expected."
      );
  }
}

/** What a reader's fault says to a painter; `otherwise` for one that nobody foresaw. */
export function whyUnread(error: unknown, otherwise: string): string {
  if (error instanceof FileError) return fileWords(error.problem);
  return error instanceof RangeError ? error.message : otherwise;
}

/** Why no paint can be read from a line of a table, in a painter's words. */
export function lineWords(problem: LineProblem): string {
  switch (problem.code) {
    case "cell too long":
      return `a cell has more than ${problem.most} letters`;
    case "no name":
      return "the paint has no name";
    case "pigments too long":
      return `${problem.paint}: what stands for its pigments is too long`;
    case "no pigment":
      return `${problem.paint}: no pigment is given`;
    case "no index name":
      return `${problem.paint}: “${problem.piece}” is no Colour Index name`;
    case "unknown pigment":
      return `${problem.paint}: the handbook has no pigment “${problem.written}”`;
    case "share not above 0":
      return `${problem.paint}: the share of ${problem.written} is not above 0`;
  }
}
