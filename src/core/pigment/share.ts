/** A pigment in a tube and its share by tinting amount; shares of one paint sum to 1. */
export interface PigmentShare {
  readonly pigmentId: string;
  readonly share: number;
}
