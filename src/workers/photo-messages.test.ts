import { describe, expect, test } from "vitest";
import { wholePhoto } from "@/core/image";
import type { PhotoAnswers, PhotoReply } from "./photo-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const [WIDTH, HEIGHT] = [240, 160];
const look = { white: [1, 0, 0, 0, 1, 0, 0, 0, 1], frame: wholePhoto({ width: WIDTH, height: HEIGHT }) };

/** Sky over land with a burnt-out sun, as the working copy's bytes. */
function photo(): Uint8ClampedArray {
  const data = new Uint8ClampedArray(4 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i++) {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    data.set(x < 24 && y < 16 ? [255, 255, 255, 255] : y < 100 ? [150, 170, 210, 255] : [70, 50, 30, 255], 4 * i);
  }
  return data;
}

const worker = workerUnderTest<unknown, PhotoReply>(() => import("./photo.worker"));

const ask = (data: unknown): PhotoReply | undefined => {
  worker.ask(data);
  return worker.replies()[worker.replies().length - 1];
};
const answer = <K extends keyof PhotoAnswers>(kind: K, question: object): PhotoAnswers[K] => {
  const reply = ask({ kind, job: 7, look, ...question });
  if (reply?.kind !== "answered") throw new Error(reply?.message ?? "no answer");
  expect(reply.job).toBe(7);
  return reply.answer as PhotoAnswers[K];
};
const none = new Uint8Array(WIDTH * HEIGHT);

describe("the photo worker", () => {
  test("proposes shapes, in what no area covers yet, and measures them", () => {
    ask({ kind: "open", width: WIDTH, height: HEIGHT, data: photo() });
    const { labels, shapes } = answer("propose", { labels: none, shapes: 2 });
    expect(shapes).toBe(2);
    expect(labels[50 * WIDTH + 120]).not.toBe(labels[130 * WIDTH + 120]);
    const measured = answer("measure", { labels });
    expect(measured.uncovered).toBe(0);
    expect(Math.max(...measured.areas.map(({ share }) => share))).toBeCloseTo(100 / 160, 1);
    expect(measured.borders.length).toBe(1);
    const land = Uint8Array.from(labels, (_, i) => (i >= 100 * WIDTH ? 9 : 0));
    const rest = answer("propose", { labels: land, shapes: 3 });
    land.forEach((label, i) => label === 9 && expect(rest.labels[i]).toBe(0));
    expect(answer("propose", { labels: none.map(() => 4), shapes: 3 }).shapes).toBe(0);
  });

  test("tells the shares of the values and of what is lost", () => {
    ask({ kind: "open", width: WIDTH, height: HEIGHT, data: photo() });
    const { steps, burnt, blocked } = answer("shares", { steps: 3 });
    expect(steps.reduce((sum, share) => sum + share)).toBeCloseTo(1, 9);
    expect(steps[0]).toBeCloseTo(60 / 160, 2);
    expect(burnt).toBeCloseTo((24 * 16) / (WIDTH * HEIGHT), 6);
    expect(blocked).toBe(0);
  });

  test("fills a drawn line and draws it to an edge; splits an area", () => {
    ask({ kind: "open", width: WIDTH, height: HEIGHT, data: photo() });
    const points = [{ x: 0, y: 0.59 }, { x: 1, y: 0.59 }, { x: 1, y: 1 }, { x: 0, y: 1 }];
    const drawn = answer("enclose", { points, snap: false }).mask;
    const snapped = answer("enclose", { points, snap: true }).mask;
    const firstRow = (mask: Uint8Array): number => Math.floor(mask.indexOf(1) / WIDTH);
    expect(firstRow(drawn)).toBe(94);
    expect(Math.abs(firstRow(snapped) - 100)).toBeLessThan(3);
    const { mask } = answer("split", { labels: none.map(() => 1), label: 1 });
    expect(mask!.reduce((sum, inside) => sum + inside, 0) / mask!.length).toBeCloseTo(60 / 160, 1);
  });

  test("what comes too early is answered with words", () => {
    expect(ask({ kind: "measure", job: 3, look, labels: none })).toMatchObject({ kind: "failed", job: 3, message: expect.stringContaining("not arrived") });
  });
});
