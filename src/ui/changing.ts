/** The part of a room's state that is kept, and why its last change was not taken. */
interface Kept<Document> {
  readonly document: Document;
  readonly refused: string | null;
}

/** Changes a document: what else of the state goes with it, and the run of typing that the change belongs to. */
export type Change<State extends Kept<unknown>> = (
  f: (document: State["document"]) => State["document"],
  besides?: Partial<State>,
  run?: string | null,
) => void;

/**
 * The one way to a changed document of a room: what the store's door would refuse is not taken here
 * either, and the room says why.
 * @param faultOf why a changed document can't be kept; null when it can
 */
export function changing<State extends Kept<unknown>>(
  set: (update: (state: State) => Partial<State>) => void,
  inRun: (run: string | null) => void,
  faultOf: (before: State["document"], after: State["document"]) => string | null,
): Change<State> {
  return (f, besides = {}, run = null) => {
    inRun(run);
    set((state) => {
      const document: State["document"] = f(state.document);
      const refused = faultOf(state.document, document);
      return (refused ? { refused } : { document, refused: null, ...besides }) as Partial<State>;
    });
  };
}
