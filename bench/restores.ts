import { randomUUID } from "node:crypto";
import { setTimeout as sleep } from "node:timers/promises";
import type { PaintingDocument } from "../src/model/painting";
import { newPainting } from "../src/model/painting";
import { startServer } from "../e2e/server";

interface Answer {
  readonly revision?: number;
  readonly message?: string;
  readonly stored?: { readonly revision: number; readonly document: PaintingDocument };
}

/**
 * Puts the demo back again and again while a painting is saved: counts saves that were acknowledged and then stand
 * neither in the store nor in the copy that was made of what was replaced.
 */
export async function restores(rounds = 6): Promise<void> {
  const server = await startServer();
  while (!server.output().includes("Ready:")) await sleep(100);
  const id = /painting\/([0-9a-f-]+)/.exec((await fetch(server.url)).url)![1]!;
  const json = { "content-type": "application/json" };
  const save = async (revision: number, document: PaintingDocument): Promise<readonly [number, Answer]> => {
    const answer = await fetch(`${server.url}/api/paintings/${id}`, {
      method: "PUT",
      headers: json,
      body: JSON.stringify({ revision, writer: randomUUID(), step: 1, document }),
    });
    return [answer.status, (await answer.json()) as Answer];
  };
  const stored = async () => (await save(2 ** 31 - 2, newPainting("Probe", "cotton-rough")))[1].stored!;
  const copies = async (): Promise<string[]> =>
    ((await (await fetch(`${server.url}/api/copies`)).json()) as { copies: { name: string }[] }).copies.map(
      ({ name }) => name,
    );
  const backup = await (await fetch(`${server.url}/api/backup`)).arrayBuffer();
  let [acknowledged, refused, met, lost] = [0, 0, 0, 0];
  for (let round = 0; round < rounds; round++) {
    const titles: string[] = [];
    let going = true;
    const saving = (async () => {
      let { revision, document } = await stored();
      for (let n = 0; going; n++) {
        const title = `Round ${round}, ${n}`;
        const [status, answer] = await save(revision, { ...document, title });
        if (status === 200) {
          titles.push(title);
          revision = answer.revision!;
        } else if (status === 409) {
          met++;
          ({ revision, document } = answer.stored!);
        } else refused++;
      }
    })();
    await sleep(300);
    const sent = (await (await fetch(`${server.url}/api/backup`, { method: "POST", body: backup })).json()) as {
      waiting?: { token: string };
    };
    if (sent.waiting)
      await fetch(`${server.url}/api/backup/waiting`, {
        method: "POST",
        headers: json,
        body: JSON.stringify({ token: sent.waiting.token }),
      });
    await sleep(200);
    going = false;
    await saving;
    const now = (await stored()).document.title;
    const [copy] = await copies();
    await fetch(`${server.url}/api/copies`, { method: "POST", headers: json, body: JSON.stringify({ name: copy }) });
    const before = (await stored()).document.title;
    acknowledged += titles.length;
    // Each save takes the one before it along: the last before the restore, and the last of all, are what can be lost.
    const at = titles.indexOf(before);
    if (at < 0) lost++;
    else if (at < titles.length - 1 && now !== titles.at(-1)) lost++;
  }
  console.log(
    `${rounds} restores in the middle of saves: ${acknowledged} acknowledged, ${refused} refused in words, ${met} met what was put back, ${lost} rounds in which one was in neither store nor copy`,
  );
  console.log(`ended with ${await server.stop("SIGTERM")}`);
}
