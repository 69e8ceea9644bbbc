import { parentPort, workerData } from "node:worker_threads";
import lockfile from "proper-lockfile";

/**
 * Holds the data folder's lock on a thread of its own, so that its heartbeat goes on while the main
 * thread computes; and watches the main thread: one that has not stirred for two minutes is stuck
 * for good, deaf to signals, and is ended so that it neither spins for ever nor keeps the folder.
 */
const { folder, lockPath, staleMs, updateMs, beats } = workerData;
const beat = new Int32Array(beats);
const WATCH_MS = 2000;
const STUCK_AFTER = 60;

try {
  const release = await lockfile.lock(folder, {
    lockfilePath: lockPath,
    stale: staleMs,
    update: updateMs,
    realpath: false,
    onCompromised: (error) => parentPort.postMessage({ kind: "lost", message: error.message }),
  });
  parentPort.postMessage({ kind: "held" });
  parentPort.once("message", async () => {
    await release().catch(() => {});
    parentPort.postMessage({ kind: "released" });
    clearInterval(watch);
  });
} catch (error) {
  parentPort.postMessage({ kind: error.code === "ELOCKED" ? "taken" : "failed", message: error.message });
  parentPort.close();
}

let last = Atomics.load(beat, 0);
let still = 0;
const watch = setInterval(() => {
  const now = Atomics.load(beat, 0);
  still = now === last ? still + 1 : 0;
  last = now;
  if (still < STUCK_AFTER) return;
  process._rawDebug?.(
    "Abendrot has not stirred for two minutes and is ended. What was saved is in the data folder; is there room on its disk? Start it again.",
  );
  process.kill(process.pid, "SIGKILL");
}, WATCH_MS);
watch.unref();
