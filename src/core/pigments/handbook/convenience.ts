import type { PigmentShare } from "../share";

/** A mix that the trade sells under one name. Proportions differ by maker; these are from memory. */
export interface ConvenienceRecord {
  readonly id: string;
  readonly name: string;
  readonly pigments: readonly PigmentShare[];
  readonly note: string;
}

const of = (shares: Readonly<Record<string, number>>): readonly PigmentShare[] =>
  Object.entries(shares).map(([pigmentId, share]) => ({ pigmentId, share }));

export const CONVENIENCE_MIXES: readonly ConvenienceRecord[] = [
  {
    id: "sap-green",
    name: "sap green",
    pigments: of({ PG7: 0.16, PY150: 0.62, "PR101-transparent": 0.22 }),
    note: "A warm leaf green; every maker's is another.",
  },
  {
    id: "hookers-green",
    name: "Hooker's green",
    pigments: of({ PG7: 0.3, PY110: 0.5, PO48: 0.2 }),
    note: "A deep, cool foliage green.",
  },
  {
    id: "olive-green",
    name: "olive green",
    pigments: of({ PG7: 0.1, PY150: 0.6, "PBr7-burnt-sienna": 0.3 }),
    note: "A brownish green for late summer.",
  },
  {
    id: "paynes-grey",
    name: "Payne's grey",
    pigments: of({ PB29: 0.5, PBk6: 0.35, "PB15-red-shade": 0.15 }),
    note: "A blue-black for storm and shade; heavy-handed.",
  },
  {
    id: "neutral-tint",
    name: "neutral tint",
    pigments: of({ PBk6: 0.45, "PB15-red-shade": 0.2, "PV19-violet": 0.35 }),
    note: "Darkens without turning the hue much.",
  },
  {
    id: "indigo",
    name: "indigo",
    pigments: of({ "PB15-red-shade": 0.35, PBk6: 0.35, PV23: 0.1, PB60: 0.2 }),
    note: "A deep greyed blue for distance and weather.",
  },
  {
    id: "sepia",
    name: "sepia",
    pigments: of({ PBk6: 0.35, "PBr7-burnt-umber": 0.5, "PR101-transparent": 0.15 }),
    note: "A brown-black for line and deep accents.",
  },
  {
    id: "permanent-violet",
    name: "permanent violet",
    pigments: of({ PR122: 0.6, PB29: 0.4 }),
    note: "A clear violet that keeps better than dioxazine.",
  },
  {
    id: "glowing-rose",
    name: "glowing rose",
    pigments: of({ BV10: 0.45, PR122: 0.55 }),
    note: "The fluorescent pink that flowers are painted with; its glow goes first.",
  },
  {
    id: "purple-lake",
    name: "purple lake",
    pigments: of({ PV23: 0.25, "PV19-rose": 0.75 }),
    note: "A reddish purple.",
  },
  {
    id: "turquoise",
    name: "turquoise",
    pigments: of({ "PB15-green-shade": 0.55, PG7: 0.45 }),
    note: "A staining sea colour.",
  },
  {
    id: "bright-green",
    name: "bright green",
    pigments: of({ PG36: 0.25, PY175: 0.75 }),
    note: "A spring green, raw until it is quieted.",
  },
  {
    id: "van-dyke-brown",
    name: "Van Dyke brown",
    pigments: of({ "PBr7-burnt-umber": 0.7, PBk9: 0.3 }),
    note: "A dark brown; the genuine earth fades.",
  },
];
