import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

export const BLACKS: readonly PigmentRecord[] = [
  { id: "PBk6", name: "lamp black", transparency: "semi-opaque", granulation: 0, staining: 0.7, weight: -0.2, lightfastness: listed(1), dryingShift: 0.15,
    absorbers: [flat(3.4, 0.06)], scatterer: scatter(0.05, 1), note: "A strong cool black, bluish grey in a wash." },
  { id: "PBk7", name: "carbon black", transparency: "opaque", granulation: 0, staining: 0.9, weight: -0.4, lightfastness: listed(1), dryingShift: 0.15,
    absorbers: [flat(4, -0.05)], scatterer: scatter(0.05, 1), note: "The strongest black; a touch darkens a puddle." },
  { id: "PBk9", name: "ivory black", also: ["bone black"], transparency: "semi-transparent", granulation: 0.2, staining: 0.4, weight: 0.2, lightfastness: listed(1),
    absorbers: [flat(2.3, -0.05)], scatterer: scatter(0.06, 0.5), note: "A soft warm black; greens with yellow." },
  { id: "PBk10", name: "graphite", transparency: "semi-opaque", granulation: 0.4, staining: 0.3, weight: 0.4, lightfastness: estimated(1),
    absorbers: [flat(1.7, -0.02)], scatterer: scatter(0.3, 0.2), note: "A silvery dark grey with a sheen." },
  { id: "PBk11", name: "iron oxide black", also: ["Mars black"], transparency: "opaque", granulation: 0.85, staining: 0.3, weight: 0.9, lightfastness: listed(1),
    absorbers: [flat(3, -0.08)], scatterer: scatter(0.12, 0.5), note: "A heavy black that settles in flocks." },
  { id: "PBk31", name: "perylene green-black", transparency: "semi-transparent", granulation: 0, staining: 0.6, weight: -0.3, lightfastness: estimated(1), dryingShift: 0.15,
    absorbers: [flat(1.1), band(440, 45, 1.1), band(640, 60, 1.7)], scatterer: scatter(0.05, 0.8), note: "Nearly black, dark pine green in a wash: deep foliage." },
];

export const WHITES: readonly PigmentRecord[] = [
  { id: "PW4", name: "zinc white", transparency: "semi-opaque", granulation: 0, staining: 0.2, weight: 0.2, lightfastness: listed(1), hazards: ["zinc"],
    absorbers: [edge(388, 5, 3), flat(0.003)], scatterer: scatter(1.6, 0.9), source: "band edge of zinc oxide near 3.3 eV, from memory", note: "A cool, half-covering white for tints and mist." },
  { id: "PW6", name: "titanium white", transparency: "opaque", granulation: 0, staining: 0.2, weight: 0.3, lightfastness: listed(1),
    absorbers: [edge(398, 6, 3), flat(0.004)], scatterer: scatter(4.5, 0.8), source: "band edge of rutile near 3.0 eV, from memory", note: "Covering white for small lights over dark washes." },
  { id: "PW6-buff", name: "buff titanium", transparency: "semi-opaque", granulation: 0.4, staining: 0.2, weight: 0.5, lightfastness: listed(1),
    absorbers: [edge(450, 45, 0.45), flat(0.03)], scatterer: scatter(1.6, 0.5), note: "A pale unbleached sand colour; makes quiet pinks and soft haze." },
];
