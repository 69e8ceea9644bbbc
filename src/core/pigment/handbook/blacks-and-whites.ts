import { FROM_MEMORY, type PigmentRecord } from "../record";

export const BLACKS_AND_WHITES: readonly PigmentRecord[] = [
  {
    id: "PBk9", code: "PBk9", name: "ivory black", family: "black",
    absorbers: [{ k: 2.3, tilt: -0.05 }],
    scatterer: { at550: 0.06, fall: 0.5 }, transparency: "semi-transparent", granulation: 0.2, staining: 0.4,
    note: "A soft warm black; greens with yellow.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PBk6", code: "PBk6", name: "lamp black", family: "black",
    absorbers: [{ k: 3.4, tilt: 0.06 }],
    scatterer: { at550: 0.05, fall: 1 }, transparency: "semi-opaque", granulation: 0, staining: 0.7,
    note: "A strong cool black, bluish grey in a wash.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PW6", code: "PW6", name: "titanium white", family: "white",
    absorbers: [{ edgeNm: 398, widthNm: 6, k: 3 }, { k: 0.004 }],
    scatterer: { at550: 4.5, fall: 0.8 }, transparency: "opaque", granulation: 0, staining: 0.2,
    note: "Covering white for small lights over dark washes.", source: "band edge of rutile near 3.0 eV, from memory", hazards: [],
  },
  {
    id: "PW6-buff", code: "PW6", name: "buff titanium", family: "white",
    absorbers: [{ edgeNm: 450, widthNm: 45, k: 0.45 }, { k: 0.03 }],
    scatterer: { at550: 1.6, fall: 0.5 }, transparency: "semi-opaque", granulation: 0.4, staining: 0.2,
    note: "A pale unbleached sand colour; makes quiet pinks and soft haze.", source: FROM_MEMORY, hazards: [],
  },
];
