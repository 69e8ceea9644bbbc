import { FROM_MEMORY, type PigmentRecord } from "../record";

export const YELLOWS: readonly PigmentRecord[] = [
  {
    id: "PY3", code: "PY3", name: "arylide yellow, greenish", family: "yellow",
    absorbers: [{ edgeNm: 486, widthNm: 7, k: 4.2 }, { k: 0.012 }],
    scatterer: { at550: 0.12, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.5,
    note: "A sharp lemon; with a greenish blue it makes the most vivid greens.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PY154", code: "PY154", name: "benzimidazolone yellow", family: "yellow",
    absorbers: [{ edgeNm: 496, widthNm: 7.5, k: 4.4 }, { k: 0.012 }],
    scatterer: { at550: 0.18, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.45,
    note: "A clean middle yellow, neither green nor orange.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PY35", code: "PY35", name: "cadmium yellow, pale", family: "yellow",
    absorbers: [{ edgeNm: 500, widthNm: 5.5, k: 20 }, { k: 0.02 }],
    scatterer: { at550: 2.6, fall: 0.6 }, transparency: "opaque", granulation: 0.1, staining: 0.3,
    note: "Sunny and covering; in a mix it turns a clear green earthy.", source: "band edge near 2.45 eV (cadmium zinc sulphide), from memory", hazards: ["cadmium"],
  },
  {
    id: "PY35-deep", code: "PY35", name: "cadmium yellow, deep", family: "yellow",
    absorbers: [{ edgeNm: 521, widthNm: 6, k: 24 }, { k: 0.02 }],
    scatterer: { at550: 2.5, fall: 0.6 }, transparency: "opaque", granulation: 0.1, staining: 0.3,
    note: "A warm covering yellow on the way to orange.", source: "band edge of cadmium sulphide near 2.4 eV, from memory", hazards: ["cadmium"],
  },
  {
    id: "PY110", code: "PY110", name: "isoindolinone yellow", family: "yellow",
    absorbers: [{ edgeNm: 520, widthNm: 9, k: 5 }, { k: 0.02 }],
    scatterer: { at550: 0.14, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.5,
    note: "A clear, warm, orange-leaning yellow.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PY150", code: "PY150", name: "nickel azo yellow", family: "yellow",
    absorbers: [{ edgeNm: 496, widthNm: 19, k: 5.4 }, { bandNm: 640, widthNm: 60, k: 0.08 }, { k: 0.05 }],
    scatterer: { at550: 0.03, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.8,
    note: "Old gold at full strength, cool lemon in a wash; very clear in mixes.", source: FROM_MEMORY, hazards: ["nickel"],
  },
  {
    id: "PO48-gold", code: "PO48", name: "quinacridone gold", family: "yellow",
    absorbers: [{ edgeNm: 512, widthNm: 21, k: 4.4 }, { bandNm: 560, widthNm: 22, k: 0.35 }, { k: 0.1 }],
    scatterer: { at550: 0.03, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.8,
    note: "Brown-orange at full strength, glowing yellow when thinned: sunlit foliage and last light.", source: FROM_MEMORY, hazards: [],
  },
];
