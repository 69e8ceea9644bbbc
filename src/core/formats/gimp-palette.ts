/** One colour of a palette file: encoded sRGB bytes and a name. */
export interface PaletteColour {
  readonly rgb: readonly [number, number, number];
  readonly name: string;
}

const oneLine = (text: string): string => text.replace(/[\r\n\t]+/g, " ").trim();

/** A GIMP palette file: "GIMP Palette", Name, Columns, #, then R G B and a name a line (the format's own description, from memory). */
export function writeGimpPalette(name: string, colours: readonly PaletteColour[], columns = 4): string {
  const lines = colours.map(({ rgb, name: colour }) => `${rgb.map((byte) => String(byte).padStart(3)).join(" ")}\t${oneLine(colour)}`);
  return ["GIMP Palette", `Name: ${oneLine(name)}`, `Columns: ${columns}`, "#", ...lines, ""].join("\n");
}
