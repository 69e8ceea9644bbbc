import type { Reflectance } from "../colour/bands";

/** Why a hand-held meter can't read. */
export type MeterRefusal = "not connected" | "white not seen" | "not flat";

/** A hand-held meter refuses. */
export class MeterRefused extends Error {
  constructor(readonly why: MeterRefusal) {
    super(why);
  }
}

/** How a meter stands. */
interface MeterState {
  readonly connected: boolean;
  /** Readings that may still be taken before it must see its white again; 0: it must see it now. */
  readonly readingsLeft: number;
}

/** A hand-held colour meter, real or simulated: what the measuring room asks of one. */
export interface ColourMeter {
  readonly name: string;
  /** Its readings are made up. */
  readonly simulated: boolean;
  readonly state: () => MeterState;
  readonly connect: () => Promise<void>;
  /** Reads its own white tile; everything after is relative to it. */
  readonly calibrateOnWhite: () => Promise<void>;
  /** Reads what it stands on, 36 bands. Throws MeterRefused. */
  readonly read: () => Promise<Reflectance>;
  readonly disconnect: () => Promise<void>;
}
