import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { formatOf, MAX_BYTES, PhotoRefused, readPhoto } from "./photo-file";

const picture = (width: number, height: number, background = "#8a5030") => sharp({ create: { width, height, channels: 3, background } });
let jpeg: Buffer;
let noisy: Buffer;
beforeAll(async () => {
  jpeg = await picture(120, 80).jpeg({ quality: 95 }).toBuffer();
  const bytes = Buffer.from(Array.from({ length: 300 * 200 * 3 }, (_, i) => (i * 7919) % 251));
  noisy = await sharp(bytes, { raw: { width: 300, height: 200, channels: 3 } }).jpeg().toBuffer();
});

const firstPixel = async (working: Buffer): Promise<number[]> => [...(await sharp(working).raw().toBuffer()).subarray(0, 3)];

describe("photos that can be taken", () => {
  test.each(["jpeg", "png", "webp"] as const)("%s, whatever its name", async (format) => {
    const photo = await readPhoto(await picture(120, 80).toFormat(format, { quality: 100, lossless: true }).toBuffer());
    expect(photo).toMatchObject({ format, widthPx: 120, heightPx: 80, workingWidthPx: 120, workingHeightPx: 80 });
    const [r, g, b] = await firstPixel(photo.working);
    expect(Math.max(Math.abs(r - 0x8a), Math.abs(g - 0x50), Math.abs(b - 0x30))).toBeLessThan(3);
  });

  test("is turned as the camera says", async () => {
    const upright = await sharp(jpeg).composite([{ input: await picture(120, 20, "#2040c0").png().toBuffer(), top: 0, left: 0 }]).png().toBuffer();
    // Orientation 6: the camera lay on its side; what was the top edge belongs at the right.
    const photo = await readPhoto(await sharp(upright).withMetadata({ orientation: 6 }).jpeg({ quality: 95 }).toBuffer());
    expect(photo).toMatchObject({ widthPx: 80, heightPx: 120 });
    const { data, info } = await sharp(photo.working).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number): number => data[info.channels * (y * info.width + x) + 2];
    expect(at(75, 60)).toBeGreaterThan(150);
    expect(at(10, 60)).toBeLessThan(90);
  });

  test("a large one is shown small and kept whole; transparency lies on white", async () => {
    const large = await readPhoto(await picture(2600, 1300).jpeg().toBuffer());
    expect(large).toMatchObject({ widthPx: 2600, workingWidthPx: 2000, workingHeightPx: 1000 });
    const clear = await readPhoto(await sharp({ create: { width: 64, height: 64, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } }).png().toBuffer());
    expect(await firstPixel(clear.working)).toEqual([255, 255, 255]);
  });

  test("a profile is honoured: Display P3 red is redder than sRGB's and comes in clipped to it", async () => {
    const p3 = await sharp(Buffer.alloc(64 * 64 * 3, Buffer.from([200, 60, 60])), { raw: { width: 64, height: 64, channels: 3 } }).withIccProfile("p3").png().toBuffer();
    // The pixel values above were sRGB and were converted to P3 by the encoder; reading them must give them back.
    const [r, g] = await firstPixel((await readPhoto(p3)).working);
    expect(Math.abs(r - 200)).toBeLessThan(3);
    expect(Math.abs(g - 60)).toBeLessThan(4);
  });
});

describe("photos that are refused, with words", () => {
  const refusal = async (bytes: Buffer): Promise<string> => {
    const fault = await readPhoto(bytes).catch((error: unknown) => error);
    expect(fault).toBeInstanceOf(PhotoRefused);
    return (fault as Error).message;
  };

  test("empty", async () => expect(await refusal(Buffer.alloc(0))).toContain("empty"));
  test("text", async () => expect(await refusal(Buffer.from("dear diary"))).toContain("not a photo"));
  test("an SVG in disguise", async () => expect(await refusal(Buffer.from('<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"/>'))).toContain("drawing or a web page"));
  test("HTML in disguise", async () => expect(await refusal(Buffer.from("  <!doctype html><script>1</script>"))).toContain("drawing or a web page"));
  test("over 40 MB", async () => expect(await refusal(Buffer.concat([jpeg, Buffer.alloc(MAX_BYTES)]))).toContain("40 MB"));
  test("a GIF", async () => expect(await refusal(await picture(64, 64).gif().toBuffer())).toContain("GIF"));
  test("a cut-off JPEG", async () => expect(await refusal(noisy.subarray(0, Math.floor(noisy.length * 0.6)))).toContain("cut off"));
  test("a cut-off PNG", async () => {
    const png = await sharp(noisy).png().toBuffer();
    expect(await refusal(png.subarray(0, Math.floor(png.length / 2)))).toContain("cut off");
  });
  test("only a first few bytes", async () => expect(await refusal(jpeg.subarray(0, 20))).toContain("cut off"));
  test("over 100 megapixels", async () => {
    const huge = await picture(10_100, 10_000).png({ compressionLevel: 1 }).toBuffer();
    expect(huge.length).toBeLessThan(MAX_BYTES);
    expect(await refusal(huge)).toContain("101 megapixels");
  });
  test("a moving WebP", async () => {
    const frames = await sharp(Buffer.concat([Buffer.alloc(64 * 64 * 3, 10), Buffer.alloc(64 * 64 * 3, 200)]), { raw: { width: 64, height: 128, channels: 3, pageHeight: 64 } }).webp({ delay: [100, 100] }).toBuffer();
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
});
