import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

const phthalo = { transparency: "transparent", granulation: 0, staining: 1, weight: -0.8, hazards: ["copper"], source: "Q bands of copper phthalocyanine near 620 and 690 nm, from memory" } as const;
const COBALT = "cobalt(II) triplet (tetrahedral) near 545, 585 and 625 nm, from memory";

export const BLUES: readonly PigmentRecord[] = [
  { id: "PB15-green-shade", name: "phthalo blue, green shade", ...phthalo, lightfastness: listed(2), dryingShift: 0.1,
    absorbers: [band(622, 40, 8.5), band(690, 36, 6.8), band(555, 32, 1.9), edge(408, 18, 2.8), flat(0.34)], scatterer: scatter(0.04, 1.2), note: "Nearly black at full strength, turquoise-blue in a wash; stains for good." },
  { id: "PB15-red-shade", name: "phthalo blue, red shade", ...phthalo, lightfastness: listed(2), dryingShift: 0.1,
    absorbers: [band(618, 42, 8), band(695, 34, 4.5), band(555, 28, 2.1), edge(398, 15, 1.8), flat(0.42)], scatterer: scatter(0.04, 1.2), note: "As strong as the green shade, a step nearer to true blue." },
  { id: "PB16", name: "phthalo turquoise", ...phthalo, hazards: [], lightfastness: estimated(2), source: "Q bands of metal-free phthalocyanine, from memory",
    absorbers: [band(618, 38, 5.6), band(690, 40, 7.2), band(560, 28, 0.8), edge(422, 20, 3), flat(0.32)], scatterer: scatter(0.04, 1.2), note: "A deep blue-green, clear and staining." },
  { id: "PB17", name: "phthalo blue lake", ...phthalo, staining: 0.8, lightfastness: estimated(4),
    absorbers: [band(618, 34, 4), band(672, 34, 5), edge(400, 18, 1), flat(0.12)], scatterer: scatter(0.05, 1.2), note: "A bright cyan lake; it fades." },
  { id: "PB27", name: "iron hexacyanoferrate blue", also: ["Prussian blue"], transparency: "transparent", granulation: 0, staining: 0.8, weight: -0.6, lightfastness: listed(1), dryingShift: 0.15,
    absorbers: [band(690, 95, 5.4), edge(408, 20, 2), flat(0.34)], scatterer: scatter(0.03, 1), source: "intervalence band near 690 nm, from memory", note: "Deep greenish blue; pales as it dries." },
  { id: "PB28", name: "cobalt blue", transparency: "semi-transparent", granulation: 0.5, staining: 0.25, weight: 0.6, lightfastness: listed(1), hazards: ["cobalt"], source: COBALT,
    absorbers: [band(542, 24, 1.5), band(587, 24, 2.4), band(630, 25, 2.3), flat(0.2)], scatterer: scatter(0.3, 1), note: "A true, quiet blue for skies and for cooling greys." },
  { id: "PB29", name: "ultramarine blue", also: ["French ultramarine"], transparency: "transparent", granulation: 0.7, staining: 0.3, weight: 0.5, lightfastness: listed(1), dryingShift: 0.1,
    absorbers: [band(600, 56, 4.2), band(543, 34, 0.2), edge(388, 16, 0.7), flat(0.2)], scatterer: scatter(0.06, 1.5), source: "absorption of the trisulphur radical near 600 nm, from memory",
    note: "The violet-leaning blue; granulates, lifts, and makes near-blacks with umber." },
  { id: "PB33", name: "manganese blue", transparency: "semi-transparent", granulation: 0.9, staining: 0.1, weight: 0.8, lightfastness: listed(1), hazards: ["manganese", "barium"],
    absorbers: [band(620, 44, 1.15), band(685, 34, 0.9), edge(400, 14, 0.3), flat(0.05)], scatterer: scatter(0.12, 1), note: "An icy, granulating greenish blue, no longer made." },
  { id: "PB35", name: "cerulean blue", transparency: "semi-opaque", granulation: 0.8, staining: 0.2, weight: 0.9, lightfastness: listed(1), hazards: ["cobalt", "tin"],
    absorbers: [band(565, 34, 0.95), band(622, 30, 1.6), band(667, 26, 1.2), edge(410, 14, 0.35), flat(0.1)], scatterer: scatter(0.75, 0.8), source: "cobalt(II) bands shifted to red in stannate, from memory",
    note: "A cool granulating sky blue, slightly covering." },
  { id: "PB36", name: "cobalt turquoise blue", also: ["cerulean, chromium"], transparency: "semi-opaque", granulation: 0.6, staining: 0.3, weight: 0.7, lightfastness: listed(1), hazards: ["cobalt", "chromium"],
    absorbers: [band(590, 36, 1.5), band(640, 34, 2), band(685, 28, 0.9), edge(425, 18, 0.8), flat(0.16)], scatterer: scatter(0.6, 0.8), note: "A greenish cerulean, stronger and smoother." },
  { id: "PB60", name: "indanthrone blue", transparency: "transparent", granulation: 0, staining: 0.7, weight: -0.4, lightfastness: listed(1), dryingShift: 0.1,
    absorbers: [band(610, 52, 4.6), band(690, 40, 3.6), band(545, 28, 1.6), edge(400, 20, 1.4), flat(0.48)], scatterer: scatter(0.04, 1), note: "A dark night blue; strong darks without black." },
  { id: "PB74", name: "cobalt zinc silicate blue", also: ["cobalt blue, deep"], transparency: "semi-transparent", granulation: 0.8, staining: 0.15, weight: 0.8, lightfastness: estimated(1), hazards: ["cobalt", "zinc"], source: COBALT,
    absorbers: [band(545, 26, 2.1), band(590, 24, 2.4), band(640, 24, 1.7), flat(0.2)], scatterer: scatter(0.2, 1), note: "A violet-leaning cobalt with strong grain." },
];
