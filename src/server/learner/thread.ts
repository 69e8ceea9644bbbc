import { parentPort } from "node:worker_threads";
import { learner } from "./learner";
import type { Asked, Answered } from "./link";

/** The learner's own thread: answers one question after the other. */
parentPort!.on("message", ({ id, question }: Asked) => {
  let answer: Answered;
  try {
    answer = { id, value: learner(question) };
  } catch (error) {
    answer = { id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
  parentPort!.postMessage(answer);
});
