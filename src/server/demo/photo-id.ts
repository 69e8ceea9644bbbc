import type { PhotoFiles } from "@/storage/ports";

/** The demo photo's id: the SHA-256 of its file (held to it by a test). */
export const DEMO_PHOTO_ID = "0ebf242da458bb272ca8525cf050562ede263feb1a7abee6fd348be3d038477f";

/** Whether photos lie in the folder that the demo did not bring. */
export async function hasOwnPhotos(files: PhotoFiles): Promise<boolean> {
  return (await files.list()).some(({ id, brokenOff }) => !brokenOff && id !== DEMO_PHOTO_ID);
}
