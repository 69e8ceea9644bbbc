import { rmSync } from "node:fs";
import { freshFolder, startServer } from "./server";

/** Lays out the demo once for all: a server of a test starts on a copy of the folder. */
export default async function setUp(): Promise<() => void> {
  const server = await startServer(freshFolder());
  const limit = Date.now() + 120_000;
  while (!server.output().includes("Ready:")) {
    if (Date.now() > limit) throw new Error(`The demo was not laid out:\n${server.output()}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  await server.stop("SIGTERM");
  process.env.ABENDROT_DEMO_FOLDER = server.folder;
  return () => rmSync(server.folder, { recursive: true, force: true });
}
