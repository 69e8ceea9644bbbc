import { FROM_MEMORY, type PigmentRecord } from "../record";

export const VIOLETS: readonly PigmentRecord[] = [
  {
    id: "PV23", code: "PV23", name: "dioxazine violet", family: "violet",
    absorbers: [{ bandNm: 532, widthNm: 32, k: 6.2 }, { bandNm: 575, widthNm: 18, k: 4.6 }, { bandNm: 620, widthNm: 17, k: 4.6 }, { edgeNm: 408, widthNm: 20, k: 1.6 }, { k: 0.5 }],
    scatterer: { at550: 0.03, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.9,
    note: "Nearly black at full strength, clear violet in a wash; a little goes far.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PV16", code: "PV16", name: "manganese violet", family: "violet",
    absorbers: [{ bandNm: 540, widthNm: 48, k: 1.7 }, { edgeNm: 390, widthNm: 20, k: 0.4 }, { k: 0.05 }],
    scatterer: { at550: 0.25, fall: 0.8 }, transparency: "semi-transparent", granulation: 0.6, staining: 0.2,
    note: "A soft, granulating red-violet for shadows and evening skies.", source: FROM_MEMORY, hazards: ["manganese"],
  },
];
