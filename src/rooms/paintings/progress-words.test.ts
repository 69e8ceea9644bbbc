import { expect, test } from "vitest";
import { progressWords } from "./progress-words";

test("how far a painting is", () => {
  const at = (areas: number, colours: number, mixed: number, paints: number): string =>
    progressWords({ areas, colours, mixed, paintIds: Array.from({ length: paints }, String) });
  expect(at(0, 0, 0, 3)).toBe("a photo, no areas yet");
  expect(at(1, 1, 0, 0)).toBe("1 area, no paints laid out yet");
  expect(at(4, 6, 0, 3)).toBe("4 areas, nothing mixed yet");
  expect(at(4, 6, 5, 3)).toBe("4 areas, 5 of 6 colours mixed");
  expect(at(4, 6, 6, 3)).toBe("4 areas, all mixed");
});
