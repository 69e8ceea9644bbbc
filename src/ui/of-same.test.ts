import { expect, test } from "vitest";
import { ofSame } from "./of-same";

test("is made anew for another thing, another order, one more or one less, and for nothing else", () => {
  let made = 0;
  const joined = ofSame((list: readonly { readonly word: string }[]) => {
    made++;
    return list.map(({ word }) => word).join(" ");
  });
  const [high, low, far] = ["high", "low", "far"].map((word) => ({ word }));
  const ask = (...list: { word: string }[]) => [joined(list), made];
  expect(ask()).toEqual(["", 1]);
  expect(ask(high!, low!)).toEqual(["high low", 2]);
  expect(ask(high!, low!)).toEqual(["high low", 2]);
  expect(ask(low!, high!)).toEqual(["low high", 3]);
  expect(ask(low!)).toEqual(["low", 4]);
  expect(ask(low!, far!)).toEqual(["low far", 5]);
  expect(ask(low!, { ...far! })).toEqual(["low far", 6]);
  expect(ask()).toEqual(["", 7]);
});
