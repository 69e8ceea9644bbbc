import { expect, test } from "vitest";
import { paintModel } from "@/core/mixing";
import { agreementOf } from "@/core/mud";
import { PAPERS } from "@/core/optics";
import { agreementWords } from "./agreement-words";

const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const words = (one: string, two: string): string =>
  agreementWords(agreementOf(paint(one), paint(two), PAPERS[0]), (id) => id);

test("a pair is told by what it makes, at which proportion, and whether it separates", () => {
  expect(words("PB28", "PBr7-burnt-sienna")).toMatch(/^make a grey at \d PB28 to \d PBr7-burnt-sienna\. In drying/);
  expect(words("PY35", "PO20")).toMatch(
    /^stay clean: at \d PY35 to \d PO20, .*, \d\d % of the purer .* is left\. PY35 and PO20 cover\.$/,
  );
  expect(words("PB29", "PY3")).toMatch(/^quieten each other: /);
});
