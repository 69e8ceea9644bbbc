import { FROM_MEMORY, type PigmentRecord } from "../record";

export const REDS: readonly PigmentRecord[] = [
  {
    id: "PO20", code: "PO20", name: "cadmium orange", family: "orange",
    absorbers: [{ edgeNm: 552, widthNm: 6, k: 24 }, { k: 0.02 }],
    scatterer: { at550: 2.2, fall: 0.5 }, transparency: "opaque", granulation: 0.1, staining: 0.3,
    note: "A covering orange no mix of red and yellow quite equals.", source: "band edge of cadmium sulphoselenide, from memory", hazards: ["cadmium"],
  },
  {
    id: "PO73", code: "PO73", name: "pyrrole orange", family: "orange",
    absorbers: [{ edgeNm: 566, widthNm: 8, k: 5.5 }, { k: 0.006 }],
    scatterer: { at550: 0.25, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.6,
    note: "Burning orange-red; flowers of this colour need it in the box.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PR255", code: "PR255", name: "pyrrole scarlet", family: "red",
    absorbers: [{ edgeNm: 582, widthNm: 8, k: 5.6 }, { edgeNm: 450, widthNm: 30, k: 0.8 }, { k: 0.015 }],
    scatterer: { at550: 0.25, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.7,
    note: "A warm, strong scarlet.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PR254", code: "PR254", name: "pyrrole red", family: "red",
    absorbers: [{ edgeNm: 592, widthNm: 7, k: 5.2 }, { bandNm: 425, widthNm: 28, k: -1.0 }, { k: 0.02 }],
    scatterer: { at550: 0.25, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.7,
    note: "A plain strong middle red.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PR108", code: "PR108", name: "cadmium red", family: "red",
    absorbers: [{ edgeNm: 592, widthNm: 6, k: 15 }, { k: 0.03 }],
    scatterer: { at550: 1.6, fall: 0.4 }, transparency: "opaque", granulation: 0.15, staining: 0.3,
    note: "A covering red that sits on the paper and lifts off it.", source: "band edge of cadmium sulphoselenide, from memory", hazards: ["cadmium"],
  },
  {
    id: "PR209", code: "PR209", name: "quinacridone red, yellow shade", family: "red",
    absorbers: [{ bandNm: 495, widthNm: 38, k: 2.7 }, { bandNm: 535, widthNm: 15, k: 1.6 }, { bandNm: 570, widthNm: 12, k: 1.9 }, { edgeNm: 425, widthNm: 22, k: 0.9 }, { k: 0.05 }],
    scatterer: { at550: 0.05, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.6,
    note: "Coral to clear pink-red, very clean in thin washes.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PV19-rose", code: "PV19", name: "quinacridone rose", family: "red",
    absorbers: [{ bandNm: 500, widthNm: 30, k: 2.1 }, { bandNm: 532, widthNm: 15, k: 2.8 }, { bandNm: 567, widthNm: 13, k: 3.5 }, { edgeNm: 430, widthNm: 26, k: 1.0 }, { k: 0.09 }],
    scatterer: { at550: 0.05, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.6,
    note: "A cool rose; the red of clean violets and of dusk skies.", source: "absorption maxima of gamma-quinacridone near 530 and 570 nm, from memory", hazards: [],
  },
  {
    id: "PR122", code: "PR122", name: "quinacridone magenta", family: "red",
    absorbers: [{ bandNm: 500, widthNm: 28, k: 1.8 }, { bandNm: 535, widthNm: 15, k: 3.2 }, { bandNm: 572, widthNm: 15, k: 4.4 }, { edgeNm: 425, widthNm: 26, k: 0.9 }, { k: 0.15 }],
    scatterer: { at550: 0.05, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.6,
    note: "A true magenta: violets with blue, clear reds with yellow.", source: "absorption maxima near 535 and 570 nm, from memory", hazards: [],
  },
  {
    id: "PR177", code: "PR177", name: "anthraquinone red", family: "red",
    absorbers: [{ bandNm: 512, widthNm: 42, k: 4.2 }, { bandNm: 562, widthNm: 21, k: 2.8 }, { edgeNm: 450, widthNm: 28, k: 2.8 }, { k: 0.17 }],
    scatterer: { at550: 0.04, fall: 1 }, transparency: "transparent", granulation: 0, staining: 0.7,
    note: "A deep clear crimson; a good red for darks.", source: FROM_MEMORY, hazards: [],
  },
  {
    id: "PR179", code: "PR179", name: "perylene maroon", family: "red",
    absorbers: [{ edgeNm: 588, widthNm: 13, k: 3.4 }, { bandNm: 480, widthNm: 45, k: 0.5 }, { k: 0.36, tilt: -0.2 }],
    scatterer: { at550: 0.06, fall: 1 }, transparency: "semi-transparent", granulation: 0, staining: 0.6,
    note: "Dark brick red; mixes deep browns and near-blacks.", source: FROM_MEMORY, hazards: [],
  },
];
