import { FROM_MEMORY, type PigmentRecord } from "../record";

export const GREENS: readonly PigmentRecord[] = [
  {
    id: "PG7", code: "PG7", name: "phthalo green, blue shade", family: "green",
    absorbers: [{ bandNm: 638, widthNm: 42, k: 8.5 }, { bandNm: 705, widthNm: 36, k: 5.2 }, { edgeNm: 447, widthNm: 18, k: 4.2 }, { bandNm: 582, widthNm: 26, k: 1.3 }, { k: 0.4 }],
    scatterer: { at550: 0.04, fall: 1 }, transparency: "transparent", granulation: 0, staining: 1,
    note: "A fierce bluish green; tame it with red or earth, or use it for darks.", source: "Q band of chlorinated copper phthalocyanine near 640 nm, from memory", hazards: ["copper"],
  },
  {
    id: "PG36", code: "PG36", name: "phthalo green, yellow shade", family: "green",
    absorbers: [{ bandNm: 655, widthNm: 42, k: 7.4 }, { bandNm: 715, widthNm: 34, k: 5.0 }, { edgeNm: 458, widthNm: 18, k: 4.4 }, { bandNm: 595, widthNm: 26, k: 1.2 }, { k: 0.3 }],
    scatterer: { at550: 0.04, fall: 1 }, transparency: "transparent", granulation: 0, staining: 1,
    note: "A clear leaf-leaning green of great strength.", source: "Q band of brominated copper phthalocyanine near 660 nm, from memory", hazards: ["copper"],
  },
  {
    id: "PG18", code: "PG18", name: "viridian", family: "green",
    absorbers: [{ bandNm: 432, widthNm: 40, k: 1.7 }, { bandNm: 615, widthNm: 52, k: 2.9 }, { k: 0.07 }],
    scatterer: { at550: 0.1, fall: 1 }, transparency: "transparent", granulation: 0.6, staining: 0.2,
    note: "A cool transparent green that granulates; makes soft greys with rose.", source: "chromium(III) bands near 430 and 610 nm, from memory", hazards: ["chromium"],
  },
  {
    id: "PG50", code: "PG50", name: "cobalt green", family: "green",
    absorbers: [{ bandNm: 425, widthNm: 35, k: 1.0 }, { bandNm: 625, widthNm: 40, k: 1.4 }, { bandNm: 680, widthNm: 30, k: 1.1 }, { k: 0.24 }],
    scatterer: { at550: 0.6, fall: 0.8 }, transparency: "semi-opaque", granulation: 0.7, staining: 0.2,
    note: "A quiet granulating green that greys a middle red.", source: FROM_MEMORY, hazards: ["cobalt", "nickel"],
  },
];
