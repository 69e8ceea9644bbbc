import type { PaintEntry } from "@/model/paintbox";

type DemoPaint = Pick<PaintEntry, "name" | "maker" | "line" | "tintingStrength" | "pigments">;

/** Invented makers and lines; the paints go by generic pigment names. */
const MAKERS = {
  fenn: { maker: "Fenn & Rook", line: "Fine" },
  otter: { maker: "Ottermoor", line: "Studio" },
  quill: { maker: "Quillfen", line: "Field" },
} as const;

const paint = (
  name: string,
  from: keyof typeof MAKERS,
  pigments: Readonly<Record<string, number>>,
  tintingStrength = 1,
): DemoPaint => ({
  name,
  ...MAKERS[from],
  tintingStrength,
  pigments: Object.entries(pigments).map(([pigmentId, share]) => ({ pigmentId, share })),
});

/** The demo's paintbox: 28 half-used tubes, two of them convenience mixes. */
export const DEMO_PAINTS: readonly DemoPaint[] = [
  paint("Lemon yellow", "fenn", { PY3: 1 }),
  paint("Benzimidazolone yellow", "otter", { PY154: 1 }),
  paint("Cadmium yellow pale", "fenn", { PY35: 1 }),
  paint("Indian yellow hue", "otter", { PY110: 1 }),
  paint("Quinacridone gold", "fenn", { PO49: 1 }),
  paint("Pyrrole orange", "quill", { PO73: 1 }),
  paint("Pyrrole scarlet", "otter", { PR255: 1 }),
  paint("Pyrrole red", "quill", { PR254: 1 }, 0.8),
  paint("Anthraquinone red", "fenn", { PR177: 1 }),
  paint("Perylene maroon", "fenn", { PR179: 1 }),
  paint("Quinacridone rose", "otter", { "PV19-rose": 1 }),
  paint("Quinacridone magenta", "quill", { PR122: 1 }),
  paint("Dioxazine violet", "otter", { PV23: 1 }),
  paint("Ultramarine", "fenn", { PB29: 1 }),
  paint("Cobalt blue", "fenn", { PB28: 1 }),
  paint("Cerulean", "otter", { PB35: 1 }),
  paint("Phthalo blue, green shade", "otter", { "PB15-green-shade": 1 }),
  paint("Indanthrone blue", "fenn", { PB60: 1 }),
  paint("Phthalo green, blue shade", "quill", { PG7: 1 }),
  paint("Viridian", "fenn", { PG18: 1 }),
  paint("Sap green", "quill", { PG36: 0.45, PY150: 0.4, "PR101-transparent": 0.15 }),
  paint("Yellow ochre", "quill", { PY43: 1 }),
  paint("Raw sienna", "fenn", { "PBr7-raw-sienna": 1 }),
  paint("Burnt sienna", "fenn", { "PBr7-burnt-sienna": 1 }),
  paint("Burnt umber", "otter", { "PBr7-burnt-umber": 1 }),
  paint("Light red", "quill", { "PR101-light-red": 1 }),
  paint("Payne's grey", "quill", { PB29: 0.5, PBk6: 0.35, "PB15-red-shade": 0.15 }),
  paint("Ivory black", "otter", { PBk9: 1 }),
];

/** The palette laid out for the demo painting, in tray order. */
export const DEMO_PALETTE: readonly string[] = [
  "Quinacridone gold",
  "Pyrrole scarlet",
  "Quinacridone rose",
  "Ultramarine",
  "Cerulean",
  "Viridian",
  "Raw sienna",
  "Burnt sienna",
];

/** The paints of the demo's swatch card, row by row. */
export const DEMO_CARD: readonly string[] = ["Burnt sienna", "Ultramarine", "Quinacridone rose", "Viridian"];

/** The paints of the demo's box sheet, in the order of the box. */
export const DEMO_BOX_SHEET: readonly string[] = DEMO_PAINTS.slice(0, 24).map(({ name }) => name);

/** A paint that the demo's painter measured twice, with the simulated meter: two batches, as it were. */
export const DEMO_MEASURED = { name: "Anthraquinone red", days: ["2026-04-12", "2026-10-03"], maker: 6 } as const;
