import type { OwnedPaint } from "@/db/paintbox";

type DemoPaint = Omit<OwnedPaint, "id">;

/** Invented makers and lines; the paints go by generic pigment names. */
const MAKERS = {
  marsh: { maker: "Marsh & Heron", line: "Fine" },
  oster: { maker: "Osterdeich", line: "Studio" },
  kettle: { maker: "Kettle Yard Colour", line: "Field" },
} as const;

const paint = (
  name: string, from: keyof typeof MAKERS, pigments: Readonly<Record<string, number>>, tintingStrength = 1,
): DemoPaint => ({
  name,
  ...MAKERS[from],
  tintingStrength,
  pigments: Object.entries(pigments).map(([pigmentId, share]) => ({ pigmentId, share })),
});

/** The demo's paintbox: 28 half-used tubes, two of them convenience mixes. */
export const DEMO_PAINTS: readonly DemoPaint[] = [
  paint("Lemon yellow", "marsh", { PY3: 1 }),
  paint("Benzimidazolone yellow", "oster", { PY154: 1 }),
  paint("Cadmium yellow pale", "marsh", { PY35: 1 }),
  paint("Indian yellow hue", "oster", { PY110: 1 }),
  paint("Quinacridone gold", "marsh", { "PO48-gold": 1 }),
  paint("Pyrrole orange", "kettle", { PO73: 1 }),
  paint("Pyrrole scarlet", "oster", { PR255: 1 }),
  paint("Pyrrole red", "kettle", { PR254: 1 }, 0.8),
  paint("Anthraquinone red", "marsh", { PR177: 1 }),
  paint("Perylene maroon", "marsh", { PR179: 1 }),
  paint("Quinacridone rose", "oster", { "PV19-rose": 1 }),
  paint("Quinacridone magenta", "kettle", { PR122: 1 }),
  paint("Dioxazine violet", "oster", { PV23: 1 }),
  paint("Ultramarine", "marsh", { PB29: 1 }),
  paint("Cobalt blue", "marsh", { PB28: 1 }),
  paint("Cerulean", "oster", { PB35: 1 }),
  paint("Phthalo blue, green shade", "oster", { "PB15-green-shade": 1 }),
  paint("Indanthrone blue", "marsh", { PB60: 1 }),
  paint("Phthalo green, blue shade", "kettle", { PG7: 1 }),
  paint("Viridian", "marsh", { PG18: 1 }),
  paint("Sap green", "kettle", { PG36: 0.45, PY150: 0.4, "PR101-transparent": 0.15 }),
  paint("Yellow ochre", "kettle", { PY43: 1 }),
  paint("Raw sienna", "marsh", { "PBr7-raw-sienna": 1 }),
  paint("Burnt sienna", "marsh", { "PBr7-burnt-sienna": 1 }),
  paint("Burnt umber", "oster", { "PBr7-burnt-umber": 1 }),
  paint("Light red", "kettle", { "PR101-light-red": 1 }),
  paint("Payne's grey", "kettle", { PB29: 0.5, PBk6: 0.35, "PB15-red-shade": 0.15 }),
  paint("Ivory black", "oster", { PBk9: 1 }),
];

/** The palette laid out for the demo painting, in tray order. */
export const DEMO_PALETTE: readonly string[] = [
  "Quinacridone gold", "Pyrrole scarlet", "Quinacridone rose", "Ultramarine", "Cerulean", "Viridian", "Raw sienna", "Burnt sienna",
];
