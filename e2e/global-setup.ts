import { rmSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { asTemplate, freshFolder, startServer } from "./server";

/**
 * Lays out the demo once for all, as a first start does: a server of a test starts on a copy of the folder, or is put
 * back to it by a backup.
 */
export default async function setUp(): Promise<() => void> {
  const server = await startServer(freshFolder());
  // Streams: the waiting page is there before the database is. Looked at in starting.spec.ts.
  const first = await (await fetch(server.url)).body!.getReader().read();
  process.env.ABENDROT_FIRST_PAGE = new TextDecoder().decode(first.value);
  const limit = Date.now() + 120_000;
  while (!server.output().includes("Ready:")) {
    if (Date.now() > limit) throw new Error(`The demo was not laid out:\n${server.output()}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const backup = join(freshFolder(), "demo.zip");
  writeFileSync(backup, Buffer.from(await (await fetch(`${server.url}/api/backup`)).arrayBuffer()));
  await server.stop("SIGTERM");
  asTemplate(server.folder);
  process.env.ABENDROT_DEMO_FOLDER = server.folder;
  process.env.ABENDROT_DEMO_BACKUP = backup;
  return () => [server.folder, dirname(backup)].forEach((made) => rmSync(made, { recursive: true, force: true }));
}
