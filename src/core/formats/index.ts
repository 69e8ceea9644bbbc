/** Tables, spectra and palettes as files have them. What the rest of the program may use of it. */
export { decodeText } from "./text";
export { FileError, type FileProblem, type LineProblem } from "./file-problem";
export {
  guessColumns,
  PAINT_COLUMNS,
  readPaintRows,
  readTable,
  writeTable,
  type ColumnMap,
  type PaintColumn,
  type PaintRow,
  type RawTable,
} from "./paint-table";
export { paletteName, readGimpPalette, writeGimpPalette } from "./gimp-palette";
export { readMeasuredColours } from "./spectra-table";
export { writeCgats } from "./cgats";
export { LAB_WHITES, labUnderD65, type LabWhite } from "./measured-colours";
export { planTable } from "./plan-table";
export { logTable, type LogRow } from "./log-table";
