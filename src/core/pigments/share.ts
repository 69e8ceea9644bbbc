/**
 * A pigment in a tube and its share by tinting amount, above 0. Shares count against each other: they need not sum to
 * 1.
 */
export interface PigmentShare {
  readonly pigmentId: string;
  readonly share: number;
}
