import { defineConfig } from "vitest/config";
import { fileURLToPath } from "node:url";

export default defineConfig({
  resolve: { alias: { "@": fileURLToPath(new URL("./src", import.meta.url)) } },
  test: {
    include: ["src/**/*.test.ts", "scripts/**/*.test.ts"],
    // Against what hangs alone: beside the browser tests what is only computed takes what time is left over.
    testTimeout: 600_000,
    hookTimeout: 600_000,
    maxWorkers: 2,
    isolate: false,
    // WebAssembly compiled once and quickly, memory given back by one thread: a quarter less work for the
    // tests of core, server and storage.
    execArgv: ["--liftoff-only", "--single-threaded-gc"],
    globalSetup: "scripts/unit-setup.mjs",
  },
});
