/** What the error of a superseded question says: of its class nothing is left when it arrives. */
export const SUPERSEDED = "superseded";

/** Nobody waits for an answer any more: another question was asked. */
export class Superseded extends Error {
  constructor() {
    super(SUPERSEDED);
  }
}

/** Lets answers of helpers, and other questions, in between two steps. */
export const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** So long something is worked on before other questions are let in. */
const TURN_MS = 40;

/** Works step by step until it is done; throws {@link Superseded} once it is not wanted any more. */
export async function inTurns<T>(steps: Generator<void, T>, wanted: () => boolean): Promise<T> {
  for (let since = -TURN_MS; ;) {
    if (performance.now() - since > TURN_MS) {
      await breathe();
      if (!wanted()) throw new Superseded();
      since = performance.now();
    }
    const step = steps.next();
    if (step.done) return step.value;
  }
}
