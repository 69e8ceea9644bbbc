import type { Paper } from "../optics/paper";
import type { Micrometres } from "./amounts";

/** The air that a wash dries in. */
export interface Air {
  readonly temperatureC: number;
  /** Relative, 0 to 1. */
  readonly humidity: number;
}

/** The sheet, as far as drying hangs on it. */
export interface Sheet {
  readonly paper: Pick<Paper, "absorbency">;
  /** Grams per square metre. */
  readonly weightGsm: number;
}

/** What dries a wash: still air, or warm air from a dryer. */
export type DriedBy = "air" | "dryer";

/** Air moves so fast over a table in a room, and from a dryer at arm's length, m/s. From memory. */
const ROOM_SPEED = 0.2;
const DRYER_SPEED = 2.5;
/** Air of a dryer at the sheet, °C, and the part of the sheet that it blows on at a time, cm². From memory. */
const DRYER_C = 45;
const DRYER_SPOT_CM2 = 225;

/** Psychrometric constant at 101.3 kPa, kPa/K: Allen et al. (1998), FAO paper 56, equation 8. */
const PSYCHROMETRIC = 0.0674;
/** Heat of evaporation, J/kg: FAO paper 56, equation 8. */
const LATENT = 2.45e6;
/** Heat a sheet takes up from the room by radiation, W/m²K: 4 ε σ T³ at 293 K, ε = 0.95. */
const RADIATION = 5.4;
/** Air at 20 °C: kinematic viscosity m²/s, conductivity W/mK, Prandtl number. Incropera and DeWitt, table A.4. */
const VISCOSITY = 1.51e-5;
const CONDUCTIVITY = 0.0257;
const PRANDTL = 0.71;

/** Pressure of saturated water vapour, kPa. Alduchov and Eskridge (1996), J. Appl. Meteorol. 35, 601, equation 25. */
export const saturationKpa = (temperatureC: number): number =>
  0.61094 * Math.exp((17.625 * temperatureC) / (temperatureC + 243.04));

/** Heat transfer of air flowing over a flat plate, W/m²K: laminar mean, Incropera and DeWitt, equation 7.30. */
const heatTransfer = (speed: number, lengthM: number): number =>
  (0.664 * Math.sqrt((speed * lengthM) / VISCOSITY) * Math.cbrt(PRANDTL) * CONDUCTIVITY) / lengthM;

/**
 * How fast a wet film evaporates, micrometres a minute. The film cools until the heat that air and room bring is what
 * evaporation takes (the wet bulb's equation, with radiation); heat and vapour are carried off alike (Lewis relation).
 * @param vapourKpa of the air
 * @param lengthCm of the wash along the air's way: over a larger one the air is moister already
 */
function evaporation(airC: number, vapourKpa: number, speed: number, lengthCm: number): number {
  const h = heatTransfer(speed, lengthCm / 100);
  const slope = PSYCHROMETRIC * (1 + RADIATION / h);
  let [low, high] = [-40, airC];
  for (let i = 0; i < 40; i++) {
    const film = (low + high) / 2;
    if (saturationKpa(film) - vapourKpa > slope * (airC - film)) high = film;
    else low = film;
  }
  const kgPerM2s = ((h / PSYCHROMETRIC) * Math.max(0, saturationKpa(low) - vapourKpa)) / LATENT;
  return kgPerM2s * 1000 * 60;
}

/** Part of the film's water that a sheet of 300 g draws in so deep that it has to come back up. From memory. */
const DRAWN_IN = 0.3;
/** Least size that is reckoned with, cm. */
const SMALLEST_CM = 1;
/** Damper air than this hardly dries anything: the figure ends here. */
const MOST_HUMID = 0.95;
/** Longest drying told, minutes: after that nobody waits. */
const LONGEST = 24 * 60;

/**
 * How long a wash takes until it is dry to the touch, minutes. Thickness of films and speed of the air are from memory,
 * and so is what a thick sheet adds; the rest is physics.
 */
export function dryingMinutes(
  filmUm: Micrometres,
  areaCm2: number,
  { temperatureC, humidity }: Air,
  { paper, weightGsm }: Sheet,
  by: DriedBy = "air",
): number {
  const vapour = saturationKpa(temperatureC) * Math.min(MOST_HUMID, humidity);
  const side = Math.max(SMALLEST_CM, Math.sqrt(areaCm2));
  const slower = 1 + DRAWN_IN * paper.absorbency * (weightGsm / 300);
  if (by === "air") return Math.min(LONGEST, (slower * filmUm) / evaporation(temperatureC, vapour, ROOM_SPEED, side));
  const spots = Math.max(1, areaCm2 / DRYER_SPOT_CM2);
  const spotCm = Math.min(side, Math.sqrt(DRYER_SPOT_CM2));
  const warm = Math.max(DRYER_C, temperatureC);
  return Math.min(LONGEST, (spots * slower * filmUm) / evaporation(warm, vapour, DRYER_SPEED, spotCm));
}

/** For this part of its drying a wash shines and can be worked: on a sheet that doesn't drink, and on one that does. */
const SHINES = [0.4, 0.2] as const;

/** How long a drying wash can still be worked wet into wet, minutes. From memory. */
export const workableMinutes = (dryMinutes: number, { absorbency }: Pick<Paper, "absorbency">): number =>
  dryMinutes * (SHINES[0] + absorbency * (SHINES[1] - SHINES[0]));
