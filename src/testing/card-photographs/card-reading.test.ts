import { beforeAll, describe, expect, test } from "vitest";
import { readCard, placeKey, type CardRead } from "@/core/calibration/card/read-card";
import type { SheetRefusal } from "@/core/calibration/refusal";
import { findCard } from "@/core/calibration/card/fiducials";
import { mapPoint } from "@/core/calibration/card/homography";
import { FIDUCIAL_CENTRES, readingPlaces, swatchBox } from "@/core/calibration/card/layout";
import { CARD_LOADS } from "@/core/calibration/washes";
import { PAPERS } from "@/core/optics/paper";
import type { PixelArray } from "@/core/image/pixels";
import { seededRandom } from "@/core/numeric/random";
import { xyzOfFine } from "@/core/simulation/fine-bands";
import { trueBlack, trueFilm, trueSheet, unevennessOf } from "@/core/simulation/true-film";
import { truePaint } from "@/core/simulation/true-paint";
import { deltaE00 } from "@/core/colour/difference";
import { labOfXyz } from "@/core/colour/lab";
import { cameraOver, type Camera, type PhotoTrouble } from "./camera";
import { benchRow, benchSheet, photographCard, type PaintedCard } from "./card-photo";
import { throughJpeg, workingCopyOf } from "./develop";

const [WIDTH, HEIGHT] = [626, 828];
const paper = PAPERS[0];
const ROWS = [0, 1, 2, 3];
const random = seededRandom(12);
const sheet = trueSheet(random);
const black = trueBlack(random, sheet);
const paints = ["PBr7-burnt-sienna", "PB29", "PY43", "PV19-rose"].map((id) =>
  truePaint([{ pigmentId: id, share: 1 }], random),
);
const CARD: PaintedCard = {
  ...benchSheet(sheet, black),
  rows: paints.map((paint) => benchRow(sheet, black, paint, CARD_LOADS)),
  number: 37,
  seed: 9,
};

interface Shot {
  readonly photo: PixelArray;
  readonly camera: Camera;
}
async function shoot(
  card: Partial<PaintedCard>,
  trouble: PhotoTrouble,
  jpeg = true,
  size = [WIDTH, HEIGHT],
): Promise<Shot> {
  const own = seededRandom(77);
  const camera = cameraOver(size[0]!, size[1]!, trouble, own);
  const pixels = photographCard({ ...CARD, ...card }, camera, own);
  return {
    photo: jpeg ? await throughJpeg(pixels, size[0]!, size[1]!) : workingCopyOf(pixels, size[0]!, size[1]!),
    camera,
  };
}
const readOf = ({ photo }: Shot, wishes: Partial<Parameters<typeof readCard>[1]> = {}): CardRead => {
  const read = readCard(photo, { paper, rows: ROWS, ...wishes });
  if ("refused" in read) throw new Error(read.refused.code);
  return read;
};
const refusalOf = ({ photo }: Shot): SheetRefusal | null => {
  const read = readCard(photo, { paper, rows: ROWS });
  return "refused" in read ? read.refused : null;
};

/** What each place of a row truly looks like. */
const truthOf = (row: number) =>
  readingPlaces(row).map(({ what, swatch }) => {
    const load = what === "bare line" ? 0 : CARD_LOADS[swatch]!;
    const ground = what === "bare line" || what === "across on line" ? black : sheet.ground;
    return labOfXyz(
      xyzOfFine(
        trueFilm(
          [{ paint: paints[row]!, share: 1 }],
          load,
          sheet,
          unevennessOf(paints[row]!.granulation, sheet),
          ground,
        ),
      ),
    );
  });

let plain: Shot;
let moderate: Shot;
beforeAll(async () => {
  plain = await shoot({}, { moderate: 0 }, false);
  moderate = await shoot({}, { moderate: 1 });
});

describe("a card found in a photo", () => {
  test("its marks lie where the camera put them, to half a pixel, and its number is read", () => {
    for (const { photo, camera } of [plain, moderate]) {
      const found = findCard(photo);
      if ("seen" in found) throw new Error(`only ${found.seen} marks`);
      FIDUCIAL_CENTRES.forEach((mark, i) => {
        const truth = mapPoint(camera.onPhoto, mark);
        expect(Math.hypot(found.marks[i]!.x - truth.x, found.marks[i]!.y - truth.y)).toBeLessThan(0.5);
      });
    }
    expect(readOf(plain).number).toBe(37);
    expect(readOf(moderate).number).toBe(37);
  });

  test.each([90, 180, 270])("whichever way it is turned: by %i degrees", async (turnedDegrees) => {
    const shot = await shoot(
      {},
      { moderate: 0.3, turnedDegrees },
      true,
      turnedDegrees === 180 ? [WIDTH, HEIGHT] : [HEIGHT, WIDTH],
    );
    const read = readOf(shot);
    expect(read.number).toBe(37);
    const [first] = read.rows;
    expect(deltaE00(first!.places[1]!.reading.lab, truthOf(0)[1]!)).toBeLessThan(5);
  });

  test("laid under the cut-out frame it carries the frame's number, and is read alike", async () => {
    const read = readOf(await shoot({ framed: true }, { moderate: 0.5 }));
    expect(read.number).toBe(0);
    read.rows.forEach((row) => expect(row.refused).toBeNull());
    const plainly = readOf(moderate);
    ROWS.forEach((row) =>
      expect(deltaE00(read.rows[row]!.places[2]!.reading.lab, plainly.rows[row]!.places[2]!.reading.lab)).toBeLessThan(
        3,
      ),
    );
  });
});

describe("colours read from it", () => {
  test("by a clean camera within what its sensors allow, by a moderate one not much worse", () => {
    for (const [shot, most] of [
      [plain, 2.6],
      [moderate, 3.4],
    ] as const) {
      const misses = readOf(shot).rows.flatMap(({ row, places }) =>
        places.map(({ reading }, i) => (reading.cutOff.some(Boolean) ? 0 : deltaE00(reading.lab, truthOf(row)[i]!))),
      );
      const sorted = misses.sort((a, b) => a - b);
      expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(most / 2);
      expect(sorted[Math.floor(0.9 * sorted.length)]).toBeLessThan(1.6 * most);
    }
  });

  test("slanting light and vignetting are told and taken out: bare paper reads as paper all over", () => {
    const read = readOf(moderate);
    expect(read.unevenness).toBeGreaterThan(1.02);
    const upper = readOf(moderate, {
      moved: {
        [placeKey(0, 0)]: { x: 60, y: -6, width: 20, height: 12 },
        [placeKey(3, 0)]: { x: 150, y: 222, width: 18, height: 6 },
      },
    });
    for (const row of [0, 3]) expect(upper.rows[row]!.places[0]!.reading.lab.L).toBeGreaterThan(94);
  });

  test("a bloom is left out for the most part and doesn't pull the colour", async () => {
    const bloomed = readOf(await shoot({ bloom: { row: 3, swatch: 2 } }, { moderate: 0 }, false)).rows[3]!.places[2]!
      .reading;
    const clean = readOf(plain).rows[3]!.places[2]!.reading;
    expect(bloomed.leftOut).toBeGreaterThan(clean.leftOut + 0.1);
    expect(deltaE00(bloomed.lab, clean.lab)).toBeLessThan(1.5);
    expect(bloomed.unsure).toBeGreaterThan(clean.unsure);
  });

  test("a granulating paint shows more texture than one that lies flat", () => {
    const { rows } = readOf(plain);
    expect(rows[1]!.places[1]!.reading.texture).toBeGreaterThan(1.5 * rows[3]!.places[1]!.reading.texture);
  });

  test("a place dragged elsewhere is read there", () => {
    const box = swatchBox(1, 1);
    const read = readOf(plain, { moved: { [placeKey(0, 0)]: { x: box.x + 6, y: box.y + 8, width: 14, height: 16 } } });
    expect(deltaE00(read.rows[0]!.places[0]!.reading.lab, read.rows[1]!.places[1]!.reading.lab)).toBeLessThan(2.5);
  });
});

describe("a card that can't be read is refused with the reason", () => {
  test("blurred", async () =>
    expect(refusalOf(await shoot({}, { moderate: 0.3, blurPx: 3.4 }))).toEqual({ code: "blurred" }));
  test("under a lamp", async () =>
    expect(refusalOf(await shoot({}, { moderate: 0.3, cast: [1.15, 0.85, 0.38] }))).toEqual({
      code: "cast",
      looks: expect.stringMatching(/^(yellow|orange)$/),
    }));
  test("burnt out", async () =>
    expect(refusalOf(await shoot({}, { moderate: 0.3, exposure: 1.3 }))).toEqual({ code: "burnt out" }));
  test("too dark", async () =>
    expect(refusalOf(await shoot({}, { moderate: 0.3, exposure: 0.07 }))).toEqual({ code: "too dark" }));
  test("a corner cut off", () => {
    const { photo } = moderate;
    const height = Math.floor(0.86 * photo.height);
    const refusal = refusalOf({
      ...moderate,
      photo: { width: photo.width, height, data: photo.data.slice(0, 4 * photo.width * height) },
    });
    expect(refusal).toMatchObject({ code: "not found" });
    expect((refusal as { seen: number }).seen).toBeLessThan(4);
  });
  test("no card at all", () => {
    const data = new Uint8ClampedArray(4 * 400 * 300).fill(180);
    expect(refusalOf({ ...moderate, photo: { data, width: 400, height: 300 } })).toEqual({
      code: "not found",
      seen: 0,
    });
  });
  test("too far away", async () => {
    const { photo } = plain;
    const [width, height] = [340, 450];
    const data = new Uint8ClampedArray(4 * width * height);
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        for (let c = 0; c < 4; c++) data[4 * (y * width + x) + c] = photo.data[4 * (2 * y * photo.width + 2 * x) + c]!;
    expect(refusalOf({ ...plain, photo: { data, width, height } })).toMatchObject({
      code: expect.stringMatching(/^(too small|not found)$/),
    });
  });

  test("rows: washes out of order, a bare row, a wash that was forgotten", async () => {
    const rows = [
      benchRow(sheet, black, paints[0]!, [0.05, 0.143, 0.4, 1, 0.4]),
      null,
      benchRow(sheet, black, paints[2]!, [1, 0.4, 0.143, 0.0031, 0.4]),
      benchRow(sheet, black, paints[3]!, CARD_LOADS),
    ];
    const read = readOf(await shoot({ rows }, { moderate: 0 }, false));
    expect(read.rows[0]!.refused).toEqual({ code: "out of order", wash: 2 });
    expect(read.rows[1]!.refused).toEqual({ code: "bare row" });
    expect(read.rows[2]!.refused).toEqual({ code: "bare wash", wash: 4 });
    expect(read.rows[3]!.refused).toBeNull();
  });

  test("no black line: told as a doubt, and the rest is read", () => {
    const beside = readingPlaces(3)[4]!.box;
    const { doubts, refused } = readOf(plain, {
      moved: { [placeKey(3, 6)]: { ...beside, y: beside.y - 14, height: 3 } },
    }).rows[3]!;
    expect(refused).toBeNull();
    expect(doubts).toContainEqual({ code: "no black line" });
  });

  test("a white paint, which only the black line shows, is no bare row", async () => {
    const white = truePaint([{ pigmentId: "PW6", share: 1 }], seededRandom(5));
    const read = readOf(
      await shoot({ rows: [benchRow(sheet, black, white, CARD_LOADS), ...CARD.rows.slice(1)] }, { moderate: 0 }, false),
    );
    expect(read.rows[0]!.refused).toBeNull();
  });
});
