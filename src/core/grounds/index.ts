/** Grounds and shadows that lift what stands before them. */
export { GROUND_TONES, groundsFor, type Ground, type GroundTone } from "./grounds";
