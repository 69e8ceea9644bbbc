/** Words that the interface uses and a painter may ask about: one sentence each. */
export const GLOSSARY = {
  value: "How light or dark a colour is, from 0 (black) to 10 (white), by the Munsell scale (ASTM D1535).",
  chroma: "How far a colour is from grey: 0 is grey, above 50 is vivid (CIELAB).",
  hue: "Which colour it is on the wheel, whatever its lightness: yellow, orange, red … (CIELAB hue angle).",
  temperature: "How far a colour leans from grey towards orange (warm, plus) or towards blue (cool, minus).",
  dE00: "The difference of two colours as eyes see it (CIEDE2000): 1 is hardly seen side by side, 5 is plain.",
  masstone: "A paint laid as strong as it goes, without water.",
  strength: "How much paint is in the water: neat, heavy, strong, full, half, light, a breath.",
  wash: "What is laid in one go: flat, graded from one colour to another, varied, or layered over a dried one.",
  puddle: "A mix in one well, used at one strength or at several.",
  granulation: "Pigment that gathers in the hollows of the paper, so that the wash is grainy.",
  staining: "Pigment that dyes the paper and can't be lifted again.",
  glaze: "A thin wash over one that has dried: it can darken and tint, never lighten.",
  reach: "All colours that a palette can make on this paper.",
  hand: "How far a painter's parts and water scatter: careful, usual, loose, or your own as the logbook knows it.",
  "typical paints":
    "Paints of which only the label is known. Makers differ by up to twice in strength; a measured paint is surer.",
} as const;
export type GlossaryWord = keyof typeof GLOSSARY;
export const isGlossaryWord = (word: string): word is GlossaryWord => Object.hasOwn(GLOSSARY, word);

/** What keys do, room by room. */
export const KEYS = [
  {
    room: "On the photo",
    keys: [
      ["1 – 8", "as it is, values, heightened, warm and cool, hue alone, squint, in paint, as planned"],
      ["Arrows", "move the point (Shift: finer)"],
      ["Enter", "take the colour there, or open the shape"],
      ["[  ]", "a smaller or larger circle"],
      ["+  −  0", "closer, farther, all of it"],
      ["o", "outlines on or off"],
      ["b", "marks of what is lost or out of reach"],
      ["Esc", "back to all areas"],
    ],
  },
  {
    room: "In the tray and in boxes",
    keys: [
      ["← →", "move a paint to the next well (Alt and arrows in a box)"],
      ["Del", "empty the well"],
    ],
  },
  {
    room: "Everywhere",
    keys: [
      ["Ctrl Z", "undo"],
      ["Ctrl Shift Z", "do it again"],
      ["Tab", "to the next thing that can be pressed"],
      ["Esc", "closes a menu or a sheet, back to what opened it"],
      ["?", "this page"],
    ],
  },
] as const;
