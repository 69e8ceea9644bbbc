import { band, edge, flat, scatter } from "../optics";
import { estimated, listed, type PigmentRecord } from "../record";

/** A modern organic yellow: one steep edge, clear above it, light and fairly staining. */
const organic = { transparency: "semi-transparent", granulation: 0, staining: 0.5, weight: -0.4 } as const;
/** A cadmium or other covering mineral yellow. */
const mineral = { transparency: "opaque", granulation: 0.1, staining: 0.3, weight: 0.4 } as const;
const CADMIUM = "band edge of cadmium (zinc) sulphide, 2.4 to 2.5 eV, from memory";

export const YELLOWS: readonly PigmentRecord[] = [
  { id: "PY1", name: "arylide yellow", also: ["hansa yellow"], ...organic, lightfastness: listed(5),
    absorbers: [edge(495, 7.5, 4.2), flat(0.012)], scatterer: scatter(0.15, 1), note: "Clean and cheap, but it fades: for sketchbooks only." },
  { id: "PY3", name: "arylide yellow, greenish", also: ["lemon yellow"], ...organic, lightfastness: listed(2),
    absorbers: [edge(486, 7, 4.2), flat(0.012)], scatterer: scatter(0.12, 1), note: "A sharp lemon; with a greenish blue it makes the most vivid greens." },
  { id: "PY35", name: "cadmium yellow, pale", ...mineral, lightfastness: listed(1), hazards: ["cadmium", "zinc"], source: CADMIUM,
    absorbers: [edge(500, 5.5, 20), flat(0.02)], scatterer: scatter(2.6, 0.6), note: "Sunny and covering; in a mix it turns a clear green earthy." },
  { id: "PY35-deep", name: "cadmium yellow, deep", ...mineral, lightfastness: listed(1), hazards: ["cadmium"], source: CADMIUM,
    absorbers: [edge(521, 6, 24), flat(0.02)], scatterer: scatter(2.5, 0.6), note: "A warm covering yellow on the way to orange." },
  { id: "PY37", name: "cadmium yellow, middle", ...mineral, lightfastness: listed(1), hazards: ["cadmium"], source: CADMIUM,
    absorbers: [edge(511, 5.5, 22), flat(0.02)], scatterer: scatter(2.5, 0.6), note: "The middle cadmium: strong, warm, covering." },
  { id: "PY40", name: "aureolin", also: ["cobalt yellow"], transparency: "transparent", granulation: 0.1, staining: 0.3, weight: 0, lightfastness: listed(2), hazards: ["cobalt"],
    absorbers: [edge(490, 14, 2.4), band(620, 60, 0.06), flat(0.03)], scatterer: scatter(0.08, 1), note: "Soft, clear and weak; browns in impure air, so test it." },
  { id: "PY41", name: "lead antimonate yellow", also: ["genuine Naples yellow"], ...mineral, lightfastness: listed(1), hazards: ["lead", "antimony"],
    absorbers: [edge(486, 15, 3.4), flat(0.06)], scatterer: scatter(2.6, 0.5), note: "A pale, fleshy, covering yellow; poisonous, usually imitated." },
  { id: "PY53", name: "nickel titanate yellow", ...mineral, staining: 0.1, lightfastness: listed(1), hazards: ["nickel", "antimony"],
    absorbers: [edge(462, 14, 2.4), flat(0.03)], scatterer: scatter(2.2, 0.7), note: "A pale, milky lemon, weak and gentle in skies." },
  { id: "PY65", name: "arylide yellow, reddish", ...organic, lightfastness: listed(1),
    absorbers: [edge(511, 8, 4.6), flat(0.015)], scatterer: scatter(0.18, 1), note: "A warm, clear, dependable yellow." },
  { id: "PY73", name: "arylide yellow, middle", ...organic, lightfastness: listed(2),
    absorbers: [edge(499, 7.5, 4.3), flat(0.012)], scatterer: scatter(0.15, 1), note: "A plain middle yellow." },
  { id: "PY74", name: "arylide yellow, strong", ...organic, lightfastness: listed(3),
    absorbers: [edge(496, 8, 5), flat(0.015)], scatterer: scatter(0.12, 1), note: "Strong and slightly green; makers differ in how long it lasts." },
  { id: "PY83", name: "diarylide yellow", ...organic, transparency: "transparent", lightfastness: estimated(2),
    absorbers: [edge(515, 9, 5.4), flat(0.02)], scatterer: scatter(0.06, 1), note: "A strong, clear, orange-leaning yellow." },
  { id: "PY97", name: "arylide yellow, bright", ...organic, lightfastness: listed(2),
    absorbers: [edge(497, 7, 4.3), flat(0.012)], scatterer: scatter(0.15, 1), note: "Clean middle yellow, a good single yellow for a small box." },
  { id: "PY110", name: "isoindolinone yellow", also: ["Indian yellow hue"], ...organic, transparency: "transparent", lightfastness: listed(1),
    absorbers: [edge(520, 9, 5), flat(0.02)], scatterer: scatter(0.14, 1), note: "A clear, warm, orange-leaning yellow." },
  { id: "PY129", name: "azomethine copper yellow", also: ["green gold"], ...organic, transparency: "transparent", staining: 0.8, lightfastness: estimated(1), hazards: ["copper"],
    absorbers: [edge(486, 17, 5), band(650, 70, 0.5), flat(0.11)], scatterer: scatter(0.04, 1), note: "Olive at full strength, glowing green-gold when thinned: spring leaves." },
  { id: "PY139", name: "isoindoline yellow", ...organic, lightfastness: estimated(2),
    absorbers: [edge(511, 9, 4.6), flat(0.015)], scatterer: scatter(0.15, 1), note: "A warm, deep yellow of good covering in thick washes." },
  { id: "PY150", name: "nickel azo yellow", ...organic, transparency: "transparent", staining: 0.8, weight: -0.6, lightfastness: listed(1), hazards: ["nickel"],
    absorbers: [edge(496, 19, 5.4), band(640, 60, 0.08), flat(0.05)], scatterer: scatter(0.03, 1), note: "Old gold at full strength, cool lemon in a wash; very clear in mixes." },
  { id: "PY151", name: "benzimidazolone yellow, greenish", ...organic, lightfastness: listed(1),
    absorbers: [edge(492, 7, 4.2), flat(0.012)], scatterer: scatter(0.16, 1), note: "A cool, clean, lasting yellow." },
  { id: "PY153", name: "nickel dioxine yellow", also: ["gamboge hue"], ...organic, transparency: "transparent", lightfastness: listed(1), hazards: ["nickel"],
    absorbers: [edge(511, 11, 4.4), flat(0.03)], scatterer: scatter(0.08, 1), note: "A mellow, warm, transparent yellow." },
  { id: "PY154", name: "benzimidazolone yellow", ...organic, staining: 0.45, lightfastness: listed(1),
    absorbers: [edge(496, 7.5, 4.4), flat(0.012)], scatterer: scatter(0.18, 1), note: "A clean middle yellow, neither green nor orange." },
  { id: "PY159", name: "praseodymium zircon yellow", ...mineral, staining: 0.1, weight: 0.6, granulation: 0.3, lightfastness: estimated(1),
    absorbers: [edge(474, 9, 2.2), flat(0.04)], scatterer: scatter(1.2, 0.6), note: "A soft ceramic yellow, weak and heavy." },
  { id: "PY175", name: "benzimidazolone yellow, lemon", ...organic, lightfastness: listed(1),
    absorbers: [edge(488, 7, 4.2), flat(0.012)], scatterer: scatter(0.13, 1), note: "A bright lemon that lasts." },
  { id: "PY216", name: "rutile tin zinc yellow", ...mineral, lightfastness: estimated(1), hazards: ["tin", "zinc"],
    absorbers: [edge(512, 11, 6), flat(0.04)], scatterer: scatter(1.9, 0.5), note: "A covering golden yellow, calmer than cadmium." },
];
