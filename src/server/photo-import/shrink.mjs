import sharp from "sharp";

const MAX_PIXELS = 100_000_000;
const SECONDS = 60;

/**
 * A picture with a longer side of at most `side` pixels, as it lies in the file: raw, in libvips'
 * colour space `space`, `depth` uchar or ushort. With `keepProfile` its numbers stay its profile's.
 */
export async function shrink(path, { side, space, depth, keepProfile }) {
  const image = sharp(path, { limitInputPixels: MAX_PIXELS, failOn: "truncated" })
    .timeout({ seconds: SECONDS })
    .flatten({ background: "#ffffff" });
  const { data, info } = await (keepProfile ? image.keepIccProfile() : image)
    .resize({ width: side, height: side, fit: "inside", withoutEnlargement: true })
    .toColourspace(space)
    .raw({ depth })
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
}
