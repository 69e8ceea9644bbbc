import { temporal } from "zundo";
import { expect, test } from "vitest";
import { createStore } from "zustand/vanilla";
import { undoSteps } from "./undo-steps";

/** A store of one text, and how a change of it is made in a run. */
function room() {
  const { inRun, options } = undoSteps<{ readonly document: string }>();
  const store = createStore(temporal(() => ({ document: "" }), options));
  const change = (document: string, run: string | null = null): void => {
    inRun(run);
    store.setState({ document });
  };
  const { undo, redo } = store.temporal.getState();
  return {
    change,
    undo,
    redo,
    inRun,
    now: () => store.getState().document,
    steps: () => store.temporal.getState().pastStates.length,
  };
}

test("what is typed into one field is one step; another field, or leaving it, begins the next", () => {
  const { change, undo, inRun, now, steps } = room();
  for (const text of ["E", "Ev", "Eve"]) change(text, "title");
  expect(steps()).toBe(1);
  change("Eve, a note", "notes");
  inRun(null);
  change("Eve, a note more", "notes");
  expect(steps()).toBe(3);
  undo();
  expect(now()).toBe("Eve, a note");
  undo();
  expect(now()).toBe("Eve");
  undo();
  expect(now()).toBe("");
});

test("typing that goes on after an undo is a step of its own, and nothing of before is lost with it", () => {
  const { change, undo, redo, now } = room();
  change("one", "title");
  change("one two");
  undo();
  change("one more", "title");
  undo();
  expect(now()).toBe("one");
  redo();
  expect(now()).toBe("one more");
});

test("changes outside of any run are a step each, and 200 of them are kept", () => {
  const { change, undo, now, steps } = room();
  for (let i = 1; i <= 230; i++) change(String(i));
  expect(steps()).toBe(200);
  for (let i = 0; i < 200; i++) undo();
  expect(now()).toBe("30");
});
