import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

const GOETHITE = "iron(III) in goethite: band near 480 nm, edge near 530, weak band near 650 nm, from memory";
const HAEMATITE = "iron(III) in haematite: edge near 560 to 580 nm, weak band near 660 nm, from memory";
const UMBER = "iron(III) with manganese oxides absorbing broadly, from memory";
const earth = { transparency: "semi-transparent", granulation: 0.4, staining: 0.3, weight: 0.4, lightfastness: listed(1) } as const;
const oxide = { transparency: "opaque", granulation: 0.3, staining: 0.5, weight: 0.5, lightfastness: listed(1), source: HAEMATITE } as const;

export const EARTHS: readonly PigmentRecord[] = [
  { id: "PY42", name: "yellow iron oxide", also: ["transparent yellow oxide"], ...earth, transparency: "transparent", granulation: 0.2, source: GOETHITE,
    absorbers: [edge(524, 20, 2.9), band(650, 50, 0.14), flat(0.07)], scatterer: scatter(0.12, 0.6), note: "A clear, even earth yellow." },
  { id: "PY43", name: "yellow ochre", ...earth, transparency: "semi-opaque", granulation: 0.3, source: GOETHITE,
    absorbers: [edge(520, 20, 2.8), band(650, 50, 0.16), flat(0.09)], scatterer: scatter(0.7, 0.5), note: "Soft earth yellow, a little covering; skies near the horizon, sand, wet fields." },
  { id: "PBr7-raw-sienna", name: "raw sienna", ...earth, granulation: 0.35, source: GOETHITE,
    absorbers: [edge(522, 24, 2.7), band(650, 50, 0.18), flat(0.12)], scatterer: scatter(0.2, 0.6), note: "Clearer than ochre; the first warm wash under a sky." },
  { id: "PBr7-burnt-sienna", name: "burnt sienna", ...earth, granulation: 0.45, staining: 0.35, source: HAEMATITE,
    absorbers: [edge(548, 26, 2.9), band(460, 40, 0.6), band(660, 45, 0.2), flat(0.2)], scatterer: scatter(0.2, 0.5), note: "Orange-brown; with ultramarine it runs from brown through grey to blue." },
  { id: "PBr7-raw-umber", name: "raw umber", ...earth, granulation: 0.5, hazards: ["manganese"], source: UMBER,
    absorbers: [edge(520, 45, 2.3), band(620, 70, 0.5), flat(0.3)], scatterer: scatter(0.15, 0.5), note: "A cool greenish brown for reeds, mud and quiet shadows." },
  { id: "PBr7-burnt-umber", name: "burnt umber", ...earth, staining: 0.35, hazards: ["manganese"], source: UMBER,
    absorbers: [edge(545, 34, 3), flat(0.56, -0.15)], scatterer: scatter(0.12, 0.5), note: "A dark warm brown; the darkening paint for mixed darks." },
  { id: "PR101-light-red", name: "light red oxide", also: ["English red"], ...oxide,
    absorbers: [edge(566, 17, 4.4), band(660, 45, 0.16), flat(0.14)], scatterer: scatter(0.85, 0.4), note: "Strong brick red, covering; a thin wash of it is warm old brick." },
  { id: "PR101-venetian", name: "Venetian red", ...oxide,
    absorbers: [edge(574, 14, 4.6), band(660, 45, 0.16), flat(0.16)], scatterer: scatter(0.9, 0.3), note: "A hot, heavy earth red." },
  { id: "PR101-indian-red", name: "Indian red oxide", ...oxide, granulation: 0.4,
    absorbers: [edge(585, 16, 3.2), band(550, 40, 0.8), flat(0.3)], scatterer: scatter(0.8, -0.3), note: "A cool, heavy, violet-leaning red earth; strong and covering." },
  { id: "PR101-violet", name: "violet iron oxide", also: ["caput mortuum"], ...oxide, granulation: 0.5,
    absorbers: [edge(592, 18, 2.6), band(560, 45, 1.2), flat(0.5)], scatterer: scatter(0.75, -0.6), note: "A dark, dusty violet-brown." },
  { id: "PR101-transparent", name: "transparent red oxide", ...earth, transparency: "transparent", granulation: 0.25, staining: 0.5, weight: 0, source: HAEMATITE,
    absorbers: [edge(557, 19, 3.2), band(440, 50, 1), flat(0.14)], scatterer: scatter(0.06, 0.5), note: "Glowing orange-brown, clear to the bottom of the wash." },
  { id: "PR102", name: "natural red earth", also: ["red ochre"], ...earth, transparency: "semi-opaque", granulation: 0.5, source: HAEMATITE,
    absorbers: [edge(562, 20, 3), band(660, 45, 0.14), flat(0.16)], scatterer: scatter(0.45, 0.4), note: "A soft, natural earth red with grain." },
  { id: "PBr6", name: "brown iron oxide", ...earth, transparency: "semi-opaque", source: HAEMATITE,
    absorbers: [edge(552, 28, 3), flat(0.5, -0.1)], scatterer: scatter(0.4, 0.4), note: "A plain, strong brown." },
  { id: "PBr24", name: "chrome titanate buff", also: ["Naples yellow hue"], transparency: "opaque", granulation: 0.2, staining: 0.2, weight: 0.6, lightfastness: listed(1), hazards: ["chromium", "antimony"],
    absorbers: [edge(502, 20, 1.7), flat(0.07)], scatterer: scatter(1.8, 0.4), note: "A covering warm buff-yellow." },
  { id: "PBr25", name: "benzimidazolone brown", ...earth, transparency: "transparent", granulation: 0, staining: 0.7, weight: -0.4, lightfastness: estimated(1),
    absorbers: [edge(574, 20, 3.4), band(480, 45, 0.6), flat(0.24)], scatterer: scatter(0.05, 0.6), note: "A clear red-brown that stains." },
  { id: "PBr33", name: "zinc iron chromite brown", ...earth, transparency: "semi-opaque", granulation: 0.3, lightfastness: estimated(1), hazards: ["zinc", "chromium"],
    absorbers: [edge(545, 36, 2.8), flat(0.72, -0.1)], scatterer: scatter(0.5, 0.4), note: "A dark, covering, neutral brown." },
  { id: "PBr41", name: "disazo brown", ...earth, transparency: "transparent", granulation: 0, staining: 0.7, weight: -0.4, lightfastness: estimated(2),
    absorbers: [edge(552, 20, 3.4), band(450, 40, 0.6), flat(0.14)], scatterer: scatter(0.05, 0.6), note: "A clear golden brown." },
];
