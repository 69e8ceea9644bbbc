// Why a photo, a row or a paint can't be measured, as codes with their figures; the words are the rooms'.

/** What the bare paper looks like under a cast. */
export type CastHue = "orange" | "yellow" | "blue" | "green" | "pink" | "violet";

/** Why a photo of a sheet can't be read. */
export type SheetRefusal =
  | { readonly code: "blurred" | "too small" | "burnt out" | "no bare paper" | "too dark" }
  /** So many of the four corner marks were seen. */
  | { readonly code: "not found"; readonly seen: number }
  | { readonly code: "cast"; readonly looks: CastHue }
  /** Brightest over darkest light on the sheet. */
  | { readonly code: "uneven"; readonly times: number };

/** Why a row of a card can't be measured; washes are numbered from 1, the strongest. */
export type RowRefusal =
  | { readonly code: "bare row" }
  | { readonly code: "bare wash"; readonly wash: number }
  /** This wash is stronger than the one before it. */
  | { readonly code: "out of order"; readonly wash: number };

/** What is odd about a row but can be lived with. */
export type RowDoubt =
  | { readonly code: "no black line" }
  /** So large a share of the wash was left out. */
  | { readonly code: "blotchy"; readonly wash: number; readonly leftOut: number }
  | { readonly code: "cut off"; readonly washes: number };

/** Why patches can't be fitted. */
export type FitRefusal = { readonly code: "too few washes" | "other pigments" };
