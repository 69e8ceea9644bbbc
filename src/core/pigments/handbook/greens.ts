import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

const phthalo = { transparency: "transparent", granulation: 0, staining: 1, weight: -0.8, lightfastness: listed(1), hazards: ["copper"], source: "Q band of halogenated copper phthalocyanine near 640 to 660 nm, from memory" } as const;
const CHROMIUM = "chromium(III) bands near 430 to 460 and 600 to 610 nm, from memory";

export const GREENS: readonly PigmentRecord[] = [
  { id: "PG7", name: "phthalo green, blue shade", ...phthalo,
    absorbers: [band(638, 42, 8.5), band(705, 36, 5.2), edge(447, 18, 4.2), band(582, 26, 1.3), flat(0.4)], scatterer: scatter(0.04, 1), note: "A fierce bluish green; tame it with red or earth, or use it for darks." },
  { id: "PG8", name: "nitroso iron green", transparency: "semi-transparent", granulation: 0.1, staining: 0.5, weight: -0.3, lightfastness: listed(4),
    absorbers: [edge(478, 26, 2.6), band(690, 70, 2.8), band(600, 32, 0.8), flat(0.25)], scatterer: scatter(0.08, 1), note: "The old dull leaf green; it fades." },
  { id: "PG17", name: "chromium oxide green", transparency: "opaque", granulation: 0.3, staining: 0.3, weight: 0.6, lightfastness: listed(1), hazards: ["chromium"], source: CHROMIUM,
    absorbers: [band(440, 40, 3.2), band(608, 40, 3.2), edge(425, 22, 1.8), flat(0.16)], scatterer: scatter(1.1, 0.5), note: "A dull, covering, dependable green." },
  { id: "PG18", name: "viridian", transparency: "transparent", granulation: 0.6, staining: 0.2, weight: 0.4, lightfastness: listed(1), hazards: ["chromium"], source: CHROMIUM,
    absorbers: [band(432, 40, 1.7), band(615, 52, 2.9), flat(0.12)], scatterer: scatter(0.1, 1), note: "A cool transparent green that granulates; makes soft greys with rose." },
  { id: "PG19", name: "cobalt zinc green", transparency: "semi-opaque", granulation: 0.7, staining: 0.2, weight: 0.7, lightfastness: listed(1), hazards: ["cobalt", "zinc"],
    absorbers: [edge(440, 24, 1.2), band(610, 42, 1.5), band(665, 30, 1), flat(0.18)], scatterer: scatter(0.55, 0.7), note: "A quiet, granulating, bluish green." },
  { id: "PG23", name: "green earth", also: ["terre verte"], transparency: "transparent", granulation: 0.4, staining: 0.1, weight: 0.3, lightfastness: listed(1),
    absorbers: [band(710, 100, 0.55), edge(455, 38, 0.5), flat(0.12)], scatterer: scatter(0.08, 0.8), note: "A very weak grey-green for skin and stone." },
  { id: "PG26", name: "cobalt chromite green", also: ["cobalt green, deep"], transparency: "semi-opaque", granulation: 0.4, staining: 0.3, weight: 0.6, lightfastness: listed(1), hazards: ["cobalt", "chromium"],
    absorbers: [edge(460, 26, 1.6), band(600, 44, 2.4), band(655, 34, 1.6), flat(0.3)], scatterer: scatter(0.5, 0.6), note: "A dark, cool pine green that settles." },
  { id: "PG36", name: "phthalo green, yellow shade", ...phthalo,
    absorbers: [band(655, 42, 7.4), band(715, 34, 5), edge(458, 18, 4.4), band(595, 26, 1.2), flat(0.3)], scatterer: scatter(0.04, 1), note: "A clear leaf-leaning green of great strength." },
  { id: "PG50", name: "cobalt titanate green", also: ["cobalt green, light"], transparency: "semi-opaque", granulation: 0.7, staining: 0.2, weight: 0.8, lightfastness: estimated(1), hazards: ["cobalt", "nickel", "zinc"],
    absorbers: [band(425, 35, 1), band(625, 40, 1.4), band(680, 30, 1.1), flat(0.24)], scatterer: scatter(0.6, 0.8), note: "A quiet granulating green that greys a middle red." },
];
