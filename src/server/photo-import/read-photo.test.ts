import { execFileSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { crc32 } from "node:zlib";
import sharp, { type OutputInfo, type Sharp } from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { KINDS, makeProfile } from "./icc.test-helper";
import { runWithin, TooMuchMemory } from "./aside";
import { formatOf } from "./photo-format";
import { LIMITS } from "@/model/limits";
import { PhotoRefused, readPhoto, type ReadPhoto } from "./read-photo";
import { convert, standardProfile } from "./working-space";

const folder = mkdtempSync(join(tmpdir(), "abendrot-read-"));
let files = 0;
const kept = (bytes: Buffer): string => {
  const path = join(folder, `file-${files++}`);
  writeFileSync(path, bytes);
  return path;
};
const read = (bytes: Buffer): Promise<ReadPhoto> => readPhoto(kept(bytes));
const picture = (width: number, height: number, background = "#8a5030"): Sharp =>
  sharp({ create: { width, height, channels: 3, background } });
const pixelsOf = (working: Buffer): Promise<{ data: Buffer; info: OutputInfo }> =>
  sharp(working).removeAlpha().raw().toBuffer({ resolveWithObject: true });
const pixel = async (working: Buffer, x: number, y: number): Promise<number[]> => {
  const { data, info } = await pixelsOf(working);
  return [...data.subarray(3 * (y * info.width + x), 3 * (y * info.width + x) + 3)];
};
const far = (a: readonly number[], b: readonly number[]): number => Math.max(...a.map((x, i) => Math.abs(x - b[i]!)));
/** #8a5030 in Display P3, by colorjs.io. */
const BROWN_P3 = [129.4, 83.4, 55.2];

/** A picture whose four quarters tell which way up it lies: red, green over blue, white. */
async function quarters(width = 120, height = 80): Promise<Buffer> {
  const tile = (background: string) =>
    picture(width / 2, height / 2, background)
      .png()
      .toBuffer();
  const [r, g, b] = await Promise.all(["#c03020", "#20a040", "#2040c0"].map(tile));
  return picture(width, height, "#ffffff")
    .composite([
      { input: r, left: 0, top: 0 },
      { input: g, left: width / 2, top: 0 },
      { input: b, left: 0, top: height / 2 },
    ])
    .png()
    .toBuffer();
}

/** Whether a program is on this machine; CI installs it. */
const has = (program: string): boolean => ["/usr/bin", "/usr/local/bin"].some((bin) => existsSync(join(bin, program)));

let jpeg: Buffer;
let noisy: Buffer;
beforeAll(async () => {
  jpeg = await picture(120, 80).jpeg({ quality: 95 }).toBuffer();
  const bytes = Buffer.from(Array.from({ length: 300 * 200 * 3 }, (_, i) => (i * 7919) % 251));
  noisy = await sharp(bytes, { raw: { width: 300, height: 200, channels: 3 } })
    .jpeg()
    .toBuffer();
});

describe("photos that can be taken", () => {
  test.each(["jpeg", "png", "webp", "avif", "tiff"] as const)("%s, whatever its name", async (format) => {
    const photo = await read(await picture(120, 80).toFormat(format, { quality: 100, lossless: true }).toBuffer());
    expect(photo).toMatchObject({ format, widthPx: 120, heightPx: 80, workingWidthPx: 120, workingHeightPx: 80 });
    expect(far(await pixel(photo.working, 60, 40), BROWN_P3)).toBeLessThan(3);
  });

  test("HEIC with a Display P3 profile, encoded by heif-enc: the program's own bytes come back", async () => {
    const photo = await readPhoto(join(import.meta.dirname, "fixtures", "quarters-p3.heic"));
    expect(photo).toMatchObject({ format: "heic", widthPx: 128, heightPx: 96, workingWidthPx: 128 });
    // Encoded from these P3 values, lossy.
    for (const [x, y, rgb] of [
      [32, 24, [192, 48, 32]],
      [96, 24, [32, 160, 64]],
      [32, 72, [32, 64, 192]],
      [96, 72, [255, 255, 255]],
    ] as const) {
      expect(far(await pixel(photo.working, x, y), rgb), `${x} ${y}`).toBeLessThan(6);
    }
  });

  test.skipIf(!has("heif-enc"))(
    "HEIC made here by heif-enc, large enough to be shrunk; a stray Exif orientation is not applied, as the format says",
    async () => {
      const png = join(folder, "large.png");
      writeFileSync(png, await quarters(2400, 1440));
      const heic = join(folder, "large.heic");
      execFileSync("heif-enc", ["-q", "90", "-p", "preset=ultrafast", png, "-o", heic], { stdio: "ignore" });
      if (has("exiftool")) execFileSync("exiftool", ["-q", "-overwrite_original", "-n", "-Orientation=6", heic]);
      const photo = await readPhoto(heic);
      expect(photo).toMatchObject({
        format: "heic",
        widthPx: 2400,
        heightPx: 1440,
        workingWidthPx: 2000,
        workingHeightPx: 1200,
      });
      const [red] = await Promise.all([pixel(photo.working, 300, 300)]);
      expect(red[0]).toBeGreaterThan(red[2]! + 100);
    },
  );

  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    "is turned as the camera says: orientation %i, against sharp's own turning",
    async (orientation) => {
      const turned = await sharp(await quarters())
        .withMetadata({ orientation })
        .tiff({ compression: "lzw" })
        .toBuffer();
      const photo = await read(turned);
      const expected = await sharp(turned).autoOrient().removeAlpha().raw().toBuffer({ resolveWithObject: true });
      expect(photo).toMatchObject({
        workingWidthPx: expected.info.width,
        workingHeightPx: expected.info.height,
        widthPx: expected.info.width,
      });
      for (const [x, y] of [
        [0.25, 0.25],
        [0.75, 0.25],
        [0.25, 0.75],
      ]) {
        const at = [Math.floor(x! * expected.info.width), Math.floor(y! * expected.info.height)] as const;
        const from = 3 * (at[1] * expected.info.width + at[0]);
        expect(far(await pixel(photo.working, ...at), [...expected.data.subarray(from, from + 3)])).toBeLessThan(70);
      }
    },
  );

  test.skipIf(!has("exiftool"))(
    "an orientation written by exiftool is read from JPEG, PNG, WebP and TIFF",
    async () => {
      for (const format of ["jpeg", "png", "webp", "tiff"] as const) {
        const path = join(folder, `turned.${format}`);
        writeFileSync(
          path,
          await sharp(await quarters())
            .toFormat(format, { quality: 95 })
            .toBuffer(),
        );
        execFileSync("exiftool", ["-q", "-overwrite_original", "-n", "-Orientation=6", path]);
        const photo = await readPhoto(path);
        expect(photo, format).toMatchObject({ widthPx: 80, heightPx: 120 });
        // What was the top left corner is at the top right.
        expect((await pixel(photo.working, 60, 30))[0], format).toBeGreaterThan(150);
      }
    },
  );

  test("a large one is shown small and kept whole; transparency lies on white", async () => {
    const large = await read(await picture(2600, 1300).jpeg().toBuffer());
    expect(large).toMatchObject({ widthPx: 2600, workingWidthPx: 2000, workingHeightPx: 1000 });
    const clear = await read(
      await sharp({ create: { width: 64, height: 64, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
        .png()
        .toBuffer(),
    );
    expect(await pixel(clear.working, 5, 5)).toEqual([255, 255, 255]);
  });

  test("a hundred megapixels are read in bounded memory", async () => {
    const strip = await picture(10_000, 10_000, "#406080").tiff({ compression: "lzw", tile: true }).toBuffer();
    const before = process.memoryUsage().rss;
    const photo = await read(strip);
    expect(photo).toMatchObject({ widthPx: 10_000, workingWidthPx: 2000 });
    expect((process.memoryUsage().rss - before) / 2 ** 20).toBeLessThan(700);
  });
});

/**
 * Colours converted to Display P3 by Little CMS's own calculator (transicc 2.14, relative
 * colorimetric, no black point compensation) from the profiles that icc.test-helper writes, 0 to 255.
 */
const TRANSICC: Readonly<
  Record<"wideGreen" | "widest" | "grey", readonly (readonly [readonly number[], readonly number[]])[]>
> = {
  wideGreen: [
    [
      [0, 0, 0],
      [0, 0, 0],
    ],
    [
      [255, 255, 255],
      [255, 255, 255],
    ],
    [
      [128, 128, 128],
      [129.03, 129.03, 129.03],
    ],
    [
      [200, 60, 50],
      [213.38, 73.07, 56.81],
    ],
    [
      [180, 140, 60],
      [186.62, 143.46, 67.54],
    ],
    [
      [90, 130, 80],
      [81.01, 129.51, 81.17],
    ],
    [
      [60, 90, 160],
      [50.42, 88.38, 158.6],
    ],
    [
      [30, 24, 40],
      [24.73, 17.21, 34.66],
    ],
    [
      [230, 200, 210],
      [234.74, 202.8, 211.36],
    ],
    [
      [110, 60, 120],
      [116.04, 61.14, 119.41],
    ],
  ],
  widest: [
    [
      [0, 0, 0],
      [0, 0, 0],
    ],
    [
      [255, 255, 255],
      [255, 255, 255],
    ],
    [
      [128, 128, 128],
      [146.37, 146.37, 146.37],
    ],
    [
      [180, 140, 60],
      [221.2, 151.84, 69.9],
    ],
    [
      [90, 130, 80],
      [91.59, 153.67, 94.6],
    ],
    [
      [30, 24, 40],
      [38.92, 29.78, 53.93],
    ],
    [
      [230, 200, 210],
      [247.27, 205.9, 219.18],
    ],
    [
      [110, 60, 120],
      [140.93, 62.55, 141.51],
    ],
  ],
  grey: [
    [[0], [0, 0, 0]],
    [[20], [12.08, 12.08, 12.08]],
    [[77], [75.77, 75.77, 75.77]],
    [[128], [129.03, 129.03, 129.03]],
    [[200], [201.31, 201.31, 201.31]],
    [[255], [255, 255, 255]],
  ],
};

describe("colour profiles, against Little CMS", () => {
  /** Patches of 40 by 40 pixels side by side, with a profile put into the file as it is. */
  async function patches(kind: keyof typeof TRANSICC, bits: 8 | 16): Promise<Buffer> {
    const colours = TRANSICC[kind].map(([from]) => from);
    const channels = colours[0]!.length as 1 | 3;
    const width = 40 * colours.length;
    const data = bits === 8 ? new Uint8Array(width * 40 * channels) : new Uint16Array(width * 40 * channels);
    for (let i = 0; i < width * 40; i++)
      for (let c = 0; c < channels; c++)
        data[i * channels + c] = colours[Math.floor((i % width) / 40)]![c]! * (bits === 8 ? 1 : 257);
    const plain = sharp(data, { raw: { width, height: 40, channels } }).toColourspace(
      channels === 1 ? (bits === 8 ? "b-w" : "grey16") : bits === 8 ? "srgb" : "rgb16",
    );
    const png = await plain.png().toBuffer();
    // iCCP straight after IHDR (PNG specification, third edition): name, method 0, deflated profile.
    const { deflateSync, crc32 } = await import("node:zlib");
    const body = Buffer.concat([Buffer.from("iCCPtest\0\0", "latin1"), deflateSync(makeProfile(KINDS[kind]))]);
    const chunk = Buffer.alloc(body.length + 8);
    chunk.writeUInt32BE(body.length - 4, 0);
    body.copy(chunk, 4);
    chunk.writeUInt32BE(crc32(body), body.length + 4);
    return Buffer.concat([png.subarray(0, 33), chunk, png.subarray(33)]);
  }

  test.each([
    ["wideGreen", 8],
    ["wideGreen", 16],
    ["widest", 8],
    ["widest", 16],
    ["grey", 8],
    ["grey", 16],
  ] as const)("%s at %i bits", async (kind, bits) => {
    const photo = await read(await patches(kind, bits));
    for (const [i, [from, to]] of TRANSICC[kind].entries()) {
      // One level is what 8 bits can hold; the profile's curve itself is in 1/256.
      expect(far(await pixel(photo.working, 40 * i + 20, 20), to), `${from}`).toBeLessThan(1.01);
    }
  });

  test("of more profiles than ways are kept each is converted as at first when its turn comes again", async () => {
    const srgb = await standardProfile("srgb");
    const data = Uint16Array.from({ length: 3 * 50 }, (_, i) => (i * 9973) % 65536);
    const rounds = [0, 1].map(async () => {
      const bytes: number[][] = [];
      for (const gamma of [1.2, 1.5, 1.8, 2, 2.2, 2.6])
        bytes.push([...(await convert({ data, channels: 3, icc: makeProfile({ ...KINDS.widest, gamma }) }, srgb))]);
      return bytes;
    });
    const [first, again] = await Promise.all(rounds);
    expect(again).toEqual(first);
    expect(new Set(first!.map(String)).size).toBe(6);
    // A profile that can't be used leaves the others as they are.
    await expect(convert({ data, channels: 3, icc: Buffer.alloc(200) }, srgb)).rejects.toThrow("can't be used");
    expect([
      ...(await convert({ data, channels: 3, icc: makeProfile({ ...KINDS.widest, gamma: 2.6 }) }, srgb)),
    ]).toEqual(first![5]);
  });

  test.skipIf(!has("exiftool"))("Display P3 stays as it is, colours beyond sRGB with it", async () => {
    const p3 = await sharp(await picture(64, 64, "#ff0000").withIccProfile("p3").png().toBuffer()).metadata();
    const orange = sharp(Buffer.alloc(64 * 64 * 3, Buffer.from([240, 120, 20])), {
      raw: { width: 64, height: 64, channels: 3 },
    });
    // A TIFF holds any profile; sharp would convert, so the bytes are put beside a profile of another picture.
    const tiff = await orange.tiff({ compression: "none" }).toBuffer();
    const path = kept(tiff);
    const profile = join(folder, "p3.icc");
    writeFileSync(profile, p3.icc!);
    execFileSync("exiftool", ["-q", "-overwrite_original", `-ICC_Profile<=${profile}`, path]);
    expect(far(await pixel((await readPhoto(path)).working, 10, 10), [240, 120, 20])).toBeLessThan(1.01);
  });

  test.skipIf(!has("exiftool"))(
    "a profile for other channels, or a broken one, is left unused, not obeyed",
    async () => {
      const grey = makeProfile(KINDS.grey);
      const tagged = await picture(64, 64).tiff().toBuffer();
      const path = kept(tagged);
      writeFileSync(join(folder, "grey.icc"), grey);
      execFileSync("exiftool", ["-q", "-overwrite_original", `-ICC_Profile<=${join(folder, "grey.icc")}`, path]);
      expect(far(await pixel((await readPhoto(path)).working, 10, 10), BROWN_P3)).toBeLessThan(2);
    },
  );
});

test.skipIf(!existsSync("/proc/self/statm"))(
  "a picture that takes more memory than it may is ended, and nothing of it is used",
  async () => {
    const path = kept(await picture(3000, 2000).png().toBuffer());
    const shrinking = (mostBytes: number) => runWithin(mostBytes, "shrinker.mjs", path, "200", "srgb", "uchar");
    await expect(shrinking(1024 * 1024)).rejects.toThrow(TooMuchMemory);
    expect((await shrinking(2 ** 30)).length).toBe(8 + 200 * 133 * 3);
  },
);

describe("photos that are refused, with words", () => {
  const refusal = async (bytes: Buffer): Promise<string> => {
    const fault = await read(bytes).catch((error: unknown) => error);
    expect(fault).toBeInstanceOf(PhotoRefused);
    return (fault as Error).message;
  };

  test("empty", async () => expect(await refusal(Buffer.alloc(0))).toContain("empty"));
  test("text", async () => expect(await refusal(Buffer.from("dear diary"))).toContain("not a photo"));
  test("an SVG in disguise", async () =>
    expect(await refusal(Buffer.from('<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"/>'))).toContain(
      "drawing or a web page",
    ));
  test("HTML in disguise", async () =>
    expect(await refusal(Buffer.from("  <!doctype html><script>1</script>"))).toContain("drawing or a web page"));
  test("over 300 MB", async () =>
    expect(await refusal(Buffer.concat([jpeg, Buffer.alloc(LIMITS.photoBytes)]))).toContain("300 MB"));
  test("a GIF", async () => expect(await refusal(await picture(64, 64).gif().toBuffer())).toContain("GIF"));
  test("a film", async () =>
    expect(await refusal(Buffer.from("\0\0\0\x18ftypmp42\0\0\0\0mp42isom", "latin1"))).toContain("film"));
  test("a cut-off JPEG", async () =>
    expect(await refusal(noisy.subarray(0, Math.floor(noisy.length * 0.6)))).toContain("cut off"));
  test.each(["png", "tiff", "webp", "avif"] as const)("a cut-off %s", async (format) => {
    const whole = await sharp(noisy).toFormat(format).toBuffer();
    expect(await refusal(whole.subarray(0, Math.floor(whole.length / 2)))).toContain("cut off");
  });
  test("a cut-off HEIC", async () => {
    const whole = readFileSync(join(import.meta.dirname, "fixtures", "quarters-p3.heic"));
    expect(await refusal(whole.subarray(0, Math.floor(whole.length * 0.8)))).toContain("cut off");
  });
  test("only a first few bytes", async () => expect(await refusal(jpeg.subarray(0, 20))).toContain("cut off"));
  test("four bytes of a TIFF", async () => expect(await refusal(Buffer.from("II*\0", "latin1"))).toContain("cut off"));
  test("a strip: 3,000,000 by 33 pixels, from its header alone", async () => {
    // A PNG that says so and has no pixels: nothing may be decoded to find out (PNG specification, third edition,
    // IHDR).
    const ihdr = Buffer.from("0000000d49484452002dc6c000000021080200000000000000", "hex");
    const tall = Buffer.concat([
      Buffer.from("89504e470d0a1a0a", "hex"),
      ihdr,
      Buffer.from("0000000049444154", "hex"),
      Buffer.alloc(4),
      Buffer.from("0000000049454e44ae426082", "hex"),
    ]);
    expect(await refusal(tall)).toMatch(/strip of 3000000 by 33/);
    expect(await refusal(await picture(4000, 40).png().toBuffer())).toMatch(/strip/);
  });
  test("over 100 megapixels", async () => {
    // A small picture whose header says otherwise: it is refused before a pixel is read.
    const huge = await picture(64, 64).png().toBuffer();
    huge.writeUInt32BE(10_100, 16);
    huge.writeUInt32BE(10_000, 20);
    huge.writeUInt32BE(crc32(huge.subarray(12, 29)), 29);
    expect(await refusal(huge)).toContain("101 megapixels");
  });
  test("a camera's raw file", async () => {
    const tiff = await picture(64, 64).tiff().toBuffer();
    const directory = tiff.readUInt32LE(4);
    // One of the directory's tags becomes DNGVersion.
    tiff.writeUInt16LE(50706, directory + 2 + 12 * (tiff.readUInt16LE(directory) - 1));
    expect(await refusal(tiff)).toContain("raw file");
  });
  test("a high dynamic range", async () => {
    const avif = await picture(64, 64).avif().toBuffer();
    // sharp writes no coding points: a free box at the end holds a colr box that says PQ (H.273, transfer 16).
    const box = Buffer.from("\0\0\0\x1bfree\0\0\0\x13colrnclx\0\x09\0\x10\0\x09\x80", "latin1");
    expect(await refusal(Buffer.concat([avif, box]))).toContain("dynamic range");
  });
  test("a moving WebP", async () => {
    const frames = await sharp(Buffer.concat([Buffer.alloc(64 * 64 * 3, 10), Buffer.alloc(64 * 64 * 3, 200)]), {
      raw: { width: 64, height: 128, channels: 3, pageHeight: 64 },
    })
      .webp({ delay: [100, 100] })
      .toBuffer();
    expect(await refusal(frames)).toContain("moves");
  });
  test("a moving PNG", async () => {
    const png = await picture(64, 64).png().toBuffer();
    const chunk = Buffer.alloc(20);
    chunk.writeUInt32BE(8, 0);
    chunk.write("acTL", 4, "latin1");
    expect(await refusal(Buffer.concat([png.subarray(0, 33), chunk, png.subarray(33)]))).toContain("moves");
  });
  test("a speck", async () => expect(await refusal(await picture(8, 8).png().toBuffer())).toContain("8 by 8"));
});

test("the format is told by content", () => {
  expect(formatOf(Buffer.from("RIFF\0\0\0\0WAVE", "latin1"))).toBeNull();
  expect(formatOf(Buffer.from("RIFF\0\0\0\0WEBP", "latin1"))).toBe("webp");
  expect(formatOf(Buffer.from("\0\0\0\x18ftypmif1\0\0\0\0mif1heic", "latin1"))).toBe("heic");
  expect(formatOf(Buffer.from("\0\0\0\x18ftypqt  \0\0\0\0qt  ", "latin1"))).toBeNull();
});
