import { FROM_MEMORY, type PigmentRecord } from "../record";

export const BLUES: readonly PigmentRecord[] = [
  {
    id: "PB29", code: "PB29", name: "ultramarine blue", family: "blue",
    absorbers: [{ bandNm: 600, widthNm: 56, k: 4.2 }, { bandNm: 543, widthNm: 34, k: 0.2 }, { edgeNm: 388, widthNm: 16, k: 0.7 }, { k: 0.2 }],
    scatterer: { at550: 0.06, fall: 1.5 }, transparency: "transparent", granulation: 0.7, staining: 0.3,
    note: "The violet-leaning blue; granulates, lifts, and makes near-blacks with umber.", source: "absorption of the trisulphur radical near 600 nm, from memory", hazards: [],
  },
  {
    id: "PB28", code: "PB28", name: "cobalt blue", family: "blue",
    absorbers: [{ bandNm: 542, widthNm: 25, k: 1.75 }, { bandNm: 587, widthNm: 24, k: 2.4 }, { bandNm: 628, widthNm: 24, k: 2.1 }, { k: 0.18 }],
    scatterer: { at550: 0.3, fall: 1 }, transparency: "semi-transparent", granulation: 0.5, staining: 0.25,
    note: "A true, quiet blue for skies and for cooling greys.", source: "tetrahedral cobalt(II) triplet near 545, 585 and 625 nm, from memory", hazards: ["cobalt"],
  },
  {
    id: "PB35", code: "PB35", name: "cerulean blue", family: "blue",
    absorbers: [{ bandNm: 565, widthNm: 34, k: 0.95 }, { bandNm: 622, widthNm: 30, k: 1.6 }, { bandNm: 667, widthNm: 26, k: 1.2 }, { edgeNm: 410, widthNm: 14, k: 0.35 }, { k: 0.1 }],
    scatterer: { at550: 0.75, fall: 0.8 }, transparency: "semi-opaque", granulation: 0.8, staining: 0.2,
    note: "A cool granulating sky blue, slightly covering.", source: "cobalt(II) bands shifted to red in stannate, from memory", hazards: ["cobalt", "tin"],
  },
  {
    id: "PB15-green-shade", code: "PB15", name: "phthalo blue, green shade", family: "blue",
    absorbers: [{ bandNm: 622, widthNm: 40, k: 8.5 }, { bandNm: 690, widthNm: 36, k: 6.8 }, { bandNm: 555, widthNm: 32, k: 1.9 }, { edgeNm: 408, widthNm: 18, k: 2.8 }, { k: 0.34 }],
    scatterer: { at550: 0.04, fall: 1.2 }, transparency: "transparent", granulation: 0, staining: 1,
    note: "Nearly black at full strength, turquoise-blue in a wash; stains for good.", source: "Q bands of copper phthalocyanine (beta) near 620 and 690 nm, from memory", hazards: ["copper"],
  },
  {
    id: "PB15-red-shade", code: "PB15", name: "phthalo blue, red shade", family: "blue",
    absorbers: [{ bandNm: 618, widthNm: 42, k: 8.0 }, { bandNm: 695, widthNm: 34, k: 4.5 }, { bandNm: 555, widthNm: 28, k: 2.1 }, { edgeNm: 392, widthNm: 13, k: 1.4 }, { k: 0.42 }],
    scatterer: { at550: 0.04, fall: 1.2 }, transparency: "transparent", granulation: 0, staining: 1,
    note: "As strong as the green shade, a step nearer to true blue.", source: "Q bands of copper phthalocyanine (alpha), from memory", hazards: ["copper"],
  },
  {
    id: "PB60", code: "PB60", name: "indanthrone blue", family: "blue",
    absorbers: [{ bandNm: 610, widthNm: 52, k: 4.6 }, { bandNm: 690, widthNm: 40, k: 3.6 }, { bandNm: 545, widthNm: 28, k: 1.6 }, { edgeNm: 400, widthNm: 20, k: 1.4 }, { k: 0.48 }],
    scatterer: { at550: 0.04, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.7,
    note: "A dark night blue; strong darks without black.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PB27", code: "PB27", name: "iron hexacyanoferrate blue", family: "blue",
    absorbers: [{ bandNm: 690, widthNm: 95, k: 5.4 }, { edgeNm: 405, widthNm: 18, k: 1.8 }, { k: 0.34 }],
    scatterer: { at550: 0.03, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.8,
    note: "Deep greenish blue; pales a little as it dries.", source: "intervalence band near 690 nm, from memory", hazards: [],
  },
];
