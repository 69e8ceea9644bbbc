/** How a picture is shrunk. */
export interface ShrinkWishes {
  readonly side: number;
  readonly space: "srgb" | "rgb16" | "b-w" | "grey16";
  readonly depth: "uchar" | "ushort";
  readonly keepProfile: boolean;
}
export function shrink(
  path: string,
  wishes: ShrinkWishes,
): Promise<{ readonly data: Buffer; readonly width: number; readonly height: number }>;
