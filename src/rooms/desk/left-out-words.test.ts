import { expect, test } from "vitest";
import { leftOutWords, recipeAgainstApproach, trayAgainstApproach } from "./left-out-words";

test("what is left out is counted by why", () => {
  expect(leftOutWords(["fades", "opaque", "fades"])).toBe("3 paints left out: 2 fading, 1 opaque");
  expect(leftOutWords(["never"])).toBe("1 paint left out: 1 not wanted in the palette");
});

test("a tray that goes against the approach says so, and why", () => {
  const tray = [
    { id: "a", name: "Opal rose" },
    { id: "b", name: "Ochre" },
    { id: "c", name: "Chalk" },
  ];
  expect(trayAgainstApproach(tray, new Map())).toBeNull();
  expect(trayAgainstApproach(tray, new Map([["a", "fades"]]))).toBe(
    "Opal rose (fading) lies in the tray, so it is mixed from, though the approach would leave it out.",
  );
  expect(
    trayAgainstApproach(
      tray,
      new Map([
        ["a", "fades"],
        ["c", "opaque"],
      ] as const),
    ),
  ).toBe(
    "Opal rose (fading) and Chalk (opaque) lie in the tray, so they are mixed from, though the approach would leave them out.",
  );
});

test("a mix that the approach would not propose says so: a paint left out, an opaque one too strong", () => {
  const mix = [
    { id: "a", name: "Opal rose", strongest: 1 },
    { id: "c", name: "Chalk", strongest: 0.25 },
  ];
  expect(recipeAgainstApproach(mix, 0.25, new Map())).toBeNull();
  expect(recipeAgainstApproach(mix, 0.5, new Map([["a", "fades"]]))).toBe(
    "Your approach leaves out Opal rose (fading). Your approach lays Chalk in tints only; this mix is stronger.",
  );
});
