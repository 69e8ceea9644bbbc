/**
 * Playwright notes from which line of a test each of its calls comes: it takes the stack, and looks up all of it in the
 * tests' source maps. That is an eighth of what its own processes do in these tests, mostly for the same lines again
 * and again; what was looked up once is kept here. Imported for that alone.
 */
const lookUp = Error.prepareStackTrace as ((error: Error, frames: readonly NodeJS.CallSite[]) => string) | undefined;
const known = new Map<string, string>();

if (lookUp)
  Error.prepareStackTrace = (error, frames) => {
    const head = lookUp(error, []);
    const lines = frames.map((frame) => {
      const at = String(frame);
      const line = known.get(at) ?? lookUp(error, [frame]).slice(head.length);
      known.set(at, line);
      return line;
    });
    return head + lines.join("");
  };
