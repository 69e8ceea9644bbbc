import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

const clear = { transparency: "transparent", granulation: 0, staining: 0.6, weight: -0.5 } as const;
const COBALT = "cobalt(II) bands near 500, 545 and 590 nm (octahedral), from memory";
const QUINACRIDONE = "absorption maxima of the quinacridone crystal forms near 530 to 600 nm, from memory";

export const VIOLETS: readonly PigmentRecord[] = [
  { id: "PV14", name: "cobalt violet", transparency: "semi-transparent", granulation: 0.9, staining: 0.1, weight: 0.8, lightfastness: listed(1), hazards: ["cobalt"], source: COBALT,
    absorbers: [band(500, 28, 0.75), band(545, 25, 1.15), band(588, 20, 0.8), flat(0.2)], scatterer: scatter(0.3, 0.8), note: "A weak, gritty, glowing red-violet." },
  { id: "PV15", name: "ultramarine violet", transparency: "semi-transparent", granulation: 0.7, staining: 0.2, weight: 0.5, lightfastness: listed(1),
    absorbers: [band(560, 48, 1.7), flat(0.24)], scatterer: scatter(0.08, 1.2), note: "A quiet granulating violet for shadows." },
  { id: "PV16", name: "manganese violet", transparency: "semi-transparent", granulation: 0.6, staining: 0.2, weight: 0.5, lightfastness: listed(1), hazards: ["manganese"],
    absorbers: [band(540, 48, 1.7), edge(400, 22, 0.5), flat(0.18)], scatterer: scatter(0.25, 0.8), note: "A soft, granulating red-violet for shadows and evening skies." },
  { id: "PV19-rose", name: "quinacridone rose", also: ["permanent rose"], ...clear, lightfastness: listed(2), source: QUINACRIDONE,
    absorbers: [band(500, 30, 2.1), band(532, 15, 2.8), band(567, 13, 3.5), edge(430, 26, 1), flat(0.09)], scatterer: scatter(0.05, 1), note: "A cool rose; the red of clean violets and of dusk skies." },
  { id: "PV19-violet", name: "quinacridone violet", ...clear, lightfastness: listed(2), source: QUINACRIDONE,
    absorbers: [band(520, 28, 2.7), band(560, 16, 3.2), band(595, 15, 2), edge(425, 26, 1.1), flat(0.24)], scatterer: scatter(0.05, 1), note: "A deep red-violet, clear and lasting." },
  { id: "PV19-red", name: "quinacridone red", ...clear, lightfastness: listed(2), source: QUINACRIDONE,
    absorbers: [band(495, 38, 2.7), band(532, 16, 2), band(564, 13, 2.5), edge(438, 26, 1.5), flat(0.09)], scatterer: scatter(0.05, 1), note: "A clear red between rose and scarlet." },
  { id: "PV23", name: "dioxazine violet", ...clear, staining: 0.9, weight: -0.8, lightfastness: listed(4), dryingShift: 0.15,
    absorbers: [band(532, 32, 6.2), band(575, 18, 4.6), band(620, 17, 4.6), edge(408, 20, 1.6), flat(0.5)], scatterer: scatter(0.03, 1),
    note: "Nearly black at full strength, clear violet in a wash; a little goes far." },
  { id: "PV29", name: "perylene violet", ...clear, staining: 0.7, weight: -0.3, lightfastness: estimated(1), dryingShift: 0.1,
    absorbers: [band(510, 44, 3.2), band(565, 24, 2.4), band(600, 14, 0.9), edge(450, 30, 2), flat(0.42, -0.3)], scatterer: scatter(0.05, 0.8), note: "Wine-dark at full strength, violet-pink in a wash; a fine darkening red." },
  { id: "PV32", name: "benzimidazolone bordeaux", ...clear, staining: 0.8, lightfastness: estimated(1),
    absorbers: [band(515, 42, 3.6), band(570, 19, 2.6), edge(440, 26, 1.7), flat(0.2)], scatterer: scatter(0.04, 1), note: "A deep, clear claret." },
  { id: "PV42", name: "quinacridone pink-maroon", ...clear, lightfastness: estimated(1), source: QUINACRIDONE,
    absorbers: [band(505, 36, 2.6), band(540, 18, 2.2), band(576, 14, 1.9), edge(440, 26, 1.5), flat(0.14)], scatterer: scatter(0.05, 1), note: "A dusky, clear pink-red." },
  { id: "PV49", name: "cobalt ammonium violet", transparency: "semi-transparent", granulation: 0.8, staining: 0.1, weight: 0.7, lightfastness: listed(1), hazards: ["cobalt"], source: COBALT,
    absorbers: [band(510, 30, 0.9), band(560, 26, 1), flat(0.2)], scatterer: scatter(0.3, 0.8), note: "A delicate pinkish violet that settles." },
  { id: "PV55", name: "quinacridone purple", ...clear, lightfastness: estimated(1), source: QUINACRIDONE,
    absorbers: [band(525, 28, 2.6), band(565, 16, 3), band(598, 16, 2.4), edge(420, 22, 0.9), flat(0.3)], scatterer: scatter(0.05, 1), note: "A bluish, glowing purple." },
];
