import { parentPort } from "node:worker_threads";
import { Learner, type Sent } from "./learner";

const learner = new Learner();

parentPort!.on("message", (sent: Sent) => {
  const answered = learner.heard(sent);
  if (answered) parentPort!.postMessage(answered);
});
