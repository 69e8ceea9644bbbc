import { existsSync } from "node:fs";
import { defineConfig } from "@playwright/test";

/** Debian's Chromium, as its shell without a window where that is there: a fifth less work for the same pages. */
const CHROMIUM = [process.env.CHROMIUM_PATH, "/usr/bin/chromium-headless-shell", "/usr/bin/chromium"].find(
  (path) => path && existsSync(path),
);

/** The flags keep it from looking for the network. */
export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/global-setup.ts",
  // What takes so long hangs: a machine that is busy with other things takes several times as long as an idle one.
  timeout: 300_000,
  expect: { timeout: 45_000 },
  workers: 2,
  // Two browsers and the unit tests share two cores: a test that was overtaken once is run again, and counted as flaky.
  // npm test asks for that (scripts/test.mjs); alone a test has one try.
  fullyParallel: false,
  reporter: [["list"], ["json"]],
  use: {
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: "reduce" },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        "--no-sandbox",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--use-gl=angle",
        "--use-angle=swiftshader",
        "--enable-unsafe-swiftshader",
        // Without a graphics card: WebGL is drawn by the processor, the page itself is put together without GL (a
        // quarter of the work).
        "--disable-gpu-compositing",
        "--disable-gpu-rasterization",
      ],
    },
  },
});
