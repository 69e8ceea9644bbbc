import type { PigmentRecord } from "../record";

const IRON = "iron(III) bands near 480 nm, edge 540 (goethite) or 580 nm (haematite), from memory";

export const EARTHS: readonly PigmentRecord[] = [
  {
    id: "PY43", code: "PY43", name: "yellow ochre", family: "earth",
    absorbers: [{ edgeNm: 520, widthNm: 20, k: 2.8 }, { bandNm: 650, widthNm: 50, k: 0.16 }, { k: 0.09 }],
    scatterer: { at550: 0.7, fall: 0.5 }, transparency: "semi-opaque", granulation: 0.3, staining: 0.3,
    note: "Soft earth yellow, a little covering; skies near the horizon, sand, wet fields.", source: IRON, hazards: [],
  },
  {
    id: "PBr7-raw-sienna", code: "PBr7", name: "raw sienna", family: "earth",
    absorbers: [{ edgeNm: 522, widthNm: 24, k: 2.7 }, { bandNm: 650, widthNm: 50, k: 0.18 }, { k: 0.12 }],
    scatterer: { at550: 0.2, fall: 0.6 }, transparency: "semi-transparent", granulation: 0.35, staining: 0.3,
    note: "Clearer than ochre; the first warm wash under a sky.", source: IRON, hazards: [],
  },
  {
    id: "PBr7-burnt-sienna", code: "PBr7", name: "burnt sienna", family: "earth",
    absorbers: [{ edgeNm: 548, widthNm: 26, k: 2.9 }, { bandNm: 460, widthNm: 40, k: 0.6 }, { bandNm: 660, widthNm: 45, k: 0.2 }, { k: 0.2 }],
    scatterer: { at550: 0.2, fall: 0.5 }, transparency: "semi-transparent", granulation: 0.45, staining: 0.35,
    note: "Orange-brown; with ultramarine it runs from brown through grey to blue.", source: IRON, hazards: [],
  },
  {
    id: "PBr7-raw-umber", code: "PBr7", name: "raw umber", family: "earth",
    absorbers: [{ edgeNm: 520, widthNm: 45, k: 2.3 }, { bandNm: 620, widthNm: 70, k: 0.5 }, { k: 0.3 }],
    scatterer: { at550: 0.15, fall: 0.5 }, transparency: "semi-transparent", granulation: 0.5, staining: 0.3,
    note: "A cool greenish brown for reeds, mud and quiet shadows.", source: "iron(III) with manganese oxides absorbing broadly, from memory", hazards: ["manganese"],
  },
  {
    id: "PBr7-burnt-umber", code: "PBr7", name: "burnt umber", family: "earth",
    absorbers: [{ edgeNm: 545, widthNm: 34, k: 3.0 }, { k: 0.56, tilt: -0.15 }],
    scatterer: { at550: 0.12, fall: 0.5 }, transparency: "semi-transparent", granulation: 0.4, staining: 0.35,
    note: "A dark warm brown; the darkening paint for mixed darks.", source: "iron(III) with manganese oxides absorbing broadly, from memory", hazards: ["manganese"],
  },
  {
    id: "PR101-light-red", code: "PR101", name: "light red oxide", family: "earth",
    absorbers: [{ edgeNm: 566, widthNm: 17, k: 4.4 }, { bandNm: 660, widthNm: 45, k: 0.16 }, { k: 0.14 }],
    scatterer: { at550: 0.85, fall: 0.4 }, transparency: "opaque", granulation: 0.3, staining: 0.5,
    note: "Strong brick red, covering; a thin wash of it is warm old brick.", source: IRON, hazards: [],
  },
  {
    id: "PR101-indian-red", code: "PR101", name: "Indian red oxide", family: "earth",
    absorbers: [{ edgeNm: 585, widthNm: 16, k: 3.2 }, { bandNm: 550, widthNm: 40, k: 0.8 }, { k: 0.3 }],
    scatterer: { at550: 0.8, fall: -0.3 }, transparency: "opaque", granulation: 0.4, staining: 0.5,
    note: "A cool, heavy, violet-leaning red earth; strong and covering.", source: IRON, hazards: [],
  },
  {
    id: "PR101-transparent", code: "PR101", name: "transparent red oxide", family: "earth",
    absorbers: [{ edgeNm: 557, widthNm: 19, k: 3.2 }, { bandNm: 440, widthNm: 50, k: 1.0 }, { k: 0.14 }],
    scatterer: { at550: 0.06, fall: 0.5 }, transparency: "transparent", granulation: 0.25, staining: 0.5,
    note: "Glowing orange-brown, clear to the bottom of the wash.", source: IRON, hazards: [],
  },
];
