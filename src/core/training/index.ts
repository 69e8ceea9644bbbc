/** The eye trained: what is asked, how it is scored, what comes next. What the rest of the program may use of it. */
export { askEye, ERROR_UNITS, errorOf, FATES, type EyeQuestion, type SeenColour } from "./questions";
export { byWeek, EYE_KINDS, nextAsked, type EyeAnswer, type EyeKind } from "./spacing";
