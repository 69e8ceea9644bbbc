/** How darks are come by, and where they turn. What the rest of the program may use of it. */
export { darkWays, type DarkKind, type DarkWay } from "./ways";
export { darkeningPath, type DarkeningPath } from "./turning";
export { cameOut, SQUEEZED, type Slip } from "./too-light";
