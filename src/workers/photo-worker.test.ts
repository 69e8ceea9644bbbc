import { describe, expect, test } from "vitest";
import { wholePhoto } from "@/core/image";
import { workerUnderTest } from "@/testing/worker.test-helper";
import type { PhotoApi, SheetJob } from "./photo-api";

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

const worker = workerUnderTest<PhotoApi>(() => import("./photo.worker"));
const opened = () => worker.ask("open", { width: WIDTH, height: HEIGHT, data: photo() });
const none = new Uint8Array(WIDTH * HEIGHT);

describe("the photo worker", () => {
  test("proposes shapes, in what no area covers yet, and measures them", async () => {
    await opened();
    const { labels, shapes } = await worker.ask("propose", look, none, 2);
    expect(shapes).toBe(2);
    expect(labels[50 * WIDTH + 120]).not.toBe(labels[130 * WIDTH + 120]);
    const measured = await worker.ask("measure", look, labels);
    expect(measured.uncovered).toBe(0);
    expect(Math.max(...measured.areas.map(({ share }) => share))).toBeCloseTo(100 / 160, 1);
    expect(measured.borders.length).toBe(1);
    const land = Uint8Array.from(labels, (_, i) => (i >= 100 * WIDTH ? 9 : 0));
    const rest = await worker.ask("propose", look, land, 3);
    expect(land.findIndex((label, i) => label === 9 && rest.labels[i] !== 0)).toBe(-1);
    expect(
      (
        await worker.ask(
          "propose",
          look,
          none.map(() => 4),
          3,
        )
      ).shapes,
    ).toBe(0);
  });

  test("tells the shares of the values and of what is lost", async () => {
    await opened();
    const { steps, burnt, blocked } = await worker.ask("shares", look, 3);
    expect(steps.reduce((sum, share) => sum + share)).toBeCloseTo(1, 9);
    expect(steps[0]).toBeCloseTo(60 / 160, 2);
    expect(burnt).toBeCloseTo((24 * 16) / (WIDTH * HEIGHT), 6);
    expect(blocked).toBe(0);
  });

  test("fills a drawn line and draws it to an edge; splits an area", async () => {
    await opened();
    const points = [
      { x: 0, y: 0.61 },
      { x: 1, y: 0.61 },
      { x: 1, y: 1 },
      { x: 0, y: 1 },
    ];
    const drawn = await worker.ask("enclose", look, points, false);
    const snapped = await worker.ask("enclose", look, points, true);
    const firstRow = (mask: Uint8Array): number => Math.floor(mask.indexOf(1) / WIDTH);
    expect(firstRow(drawn)).toBe(98);
    expect(Math.abs(firstRow(snapped) - 100)).toBeLessThan(3);
    const mask = await worker.ask(
      "split",
      look,
      none.map(() => 1),
      1,
    );
    expect(mask!.reduce((sum, inside) => sum + inside, 0) / mask!.length).toBeCloseTo(60 / 160, 1);
  });

  test("what comes too early is answered with words", () =>
    expect(worker.ask("measure", look, none)).rejects.toThrow("not arrived"));

  test("draws the sheet as it will look: a wash where its area lies, bare paper elsewhere; more washes, darker", async () => {
    await opened();
    const labels = Uint8Array.from(none, (_, i) => (i < 100 * WIDTH ? 1 : 0));
    const paint = { id: "blue", pigments: [{ pigmentId: "PB29", share: 1 }], tintingStrength: 1, measured: null };
    const film = { parts: [{ paint, parts: 1 }], load: 0.2 };
    const wash: SheetJob["washes"][number] = {
      label: 1,
      kind: "flat",
      colours: [{ ...film, photo: { L: 70, a: 0, b: -20 }, under: [] }],
      others: [],
      run: null,
      soft: false,
    };
    const job = (washes: SheetJob["washes"]): SheetJob => ({ paperId: "cotton-rough", mmPerPx: 1, washes });
    const luma = (pixels: Uint8ClampedArray, y: number): number => pixels[4 * (y * WIDTH + 120)]!;
    const bare = await worker.ask("sheet", look, labels, job([]));
    const once = await worker.ask("sheet", look, labels, job([wash]));
    const over = { ...wash, colours: [{ ...wash.colours[0]!, under: [film] }] };
    const twice = await worker.ask("sheet", look, labels, job([wash, over]));
    expect(once).toHaveLength(4 * WIDTH * HEIGHT);
    expect(luma(once, 50)).toBeLessThan(luma(bare, 50) - 20);
    expect(luma(twice, 50)).toBeLessThan(luma(once, 50) - 10);
    expect(luma(twice, 140)).toBe(luma(bare, 140));
  });
});
