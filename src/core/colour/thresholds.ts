/**
 * Bounds that the eye or the trade sets, each under one name, wherever it is asked for. All from memory unless a source
 * stands beside it; common practice, no source.
 */

/**
 * Chroma (CIELAB C*) below which the eye calls a patch grey: it has no hue that would be named, or that could be
 * opposite to another.
 */
export const NO_HUE_CHROMA = 5;

/**
 * Chroma below which a mix passes for one of a painting's greys, warm or cool: more than NO_HUE_CHROMA, since beside
 * colours that lean is seen and wanted.
 */
export const PAINTED_GREY_CHROMA = 8;

/** Chroma from which a wash is plainly a colour, and has one to lose. */
export const COLOURED_CHROMA = 12;

/** Hues at least so far apart are opposites and make each other grey, degrees of CIELAB hue. */
export const OPPOSITE_DEGREES = 130;

/** Within this the eye takes two values for the same, Munsell steps (ASTM D1535). */
export const SAME_VALUE = 0.2;

/** A difference in value that a painter can read off a dried swatch, and would mend, Munsell steps. */
export const READ_VALUE = 0.1;

/** Borders shorter than this share of the sheet's width are no meeting: they draw no eye, and nothing runs across. */
export const SHORTEST_MEETING = 0.03;

/** Differences under this many CIEDE2000 units are hardly seen side by side. */
export const HARDLY_SEEN = 1.5;
