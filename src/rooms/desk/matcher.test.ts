import { afterEach, expect, test, vi } from "vitest";
import { DEFAULT_MATCH } from "@/core/mixing";
import type { MatchReply, MatchRequest } from "@/workers/match-messages";
import { MatchDesk, Matcher } from "./matcher";

afterEach(() => vi.unstubAllGlobals());

test("all of the desk's askers share one worker; an asker's new question takes its old one back, and nobody else's", () => {
  const workers: { posted: MatchRequest[]; onmessage: ((event: { data: MatchReply }) => void) | null; onerror: (() => void) | null; postMessage: (m: MatchRequest) => void; terminate: () => void }[] = [];
  vi.stubGlobal("Worker", function () {
    const posted: MatchRequest[] = [];
    const one = { posted, onmessage: null, onerror: null, postMessage: (m: MatchRequest) => void posted.push(m), terminate: () => {} };
    workers.push(one);
    return one;
  });
  const desk = new MatchDesk();
  const [ways, all] = [new Matcher(desk), new Matcher(desk)];
  const heard: string[] = [];
  const listener = (who: string) => ({ found: () => heard.push(who), finished: () => heard.push(`${who} done`), failed: (message: string) => heard.push(`${who}: ${message}`) });
  const question = { targets: [], paints: [], paperId: "cotton-rough", options: DEFAULT_MATCH };
  ways.ask(question, listener("old"));
  all.ask(question, listener("all"));
  ways.ask(question, listener("new"));
  expect(workers).toHaveLength(1);
  expect(workers[0].posted.map((m) => [m.kind, m.job])).toEqual([["match", 1], ["match", 2], ["cancel", 1], ["match", 3]]);
  for (const number of [1, 2, 3]) workers[0].onmessage!({ data: { kind: "finished", job: number, milliseconds: 1 } });
  expect(heard).toEqual(["all done", "new done"]);
  all.ask(question, listener("all"));
  workers[0].onerror!();
  expect(heard[2]).toMatch(/all: The mixing computation stopped/);
  all.ask(question, listener("all"));
  expect(workers).toHaveLength(2);
});
