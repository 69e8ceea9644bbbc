import { z } from "zod";

/** Where a second screen shows the plan, and what it asks there. */
export const BESIDE_PAGE = "/beside";
export const BESIDE_URL = "/api/beside";
export const PAIR_URL = `${BESIDE_URL}/pair`;
export const BESIDE_PHOTO_URL = `${BESIDE_URL}/photo`;
export const besidePaintingUrl = (id: string): string => `${BESIDE_URL}/paintings/${id}`;
/** Where the desk asks how the second screen is reached, and ends it. */
export const SHARE_URL = "/api/share";

/** Digits of a one-time code. */
export const CODE_DIGITS = 6;

export const pairRequest = z.object({
  code: z
    .string()
    .transform((text) => text.replace(/\s/g, ""))
    .pipe(z.string().regex(new RegExp(`^\\d{${CODE_DIGITS}}$`), `The code has ${CODE_DIGITS} digits.`)),
});

/**
 * Which painting lies on the desk, and what stands in it: another word when anything but the ticks has changed; and how
 * many washes are ticked off.
 */
export const besideNow = z.object({ paintingId: z.uuid(), content: z.string(), ticked: z.int().gte(0) });

/** How the second screen is reached. */
export const shareAnswer = z.object({
  /** Addresses of this machine in its networks. */
  addresses: z.array(z.string()),
  code: z.string(),
  /** The first address with the code, as a square to be photographed: an SVG. */
  square: z.string(),
  devices: z.array(z.object({ name: z.string(), since: z.iso.datetime() })),
});
export type ShareAnswer = z.infer<typeof shareAnswer>;

/** What the desk asks: end it for all devices. */
export const shareRequest = z.object({ end: z.literal(true) });
