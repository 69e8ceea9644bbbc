/** How a paint lies, in words: "granulates a little, stains". */
export function propertyWords({ granulation, staining }: { granulation: number; staining: number }): string {
  const grain = granulation >= 0.5 ? "granulates" : granulation >= 0.25 ? "granulates a little" : "lies flat";
  const stain = staining >= 0.7 ? "stains" : staining >= 0.4 ? "stains a little" : "lifts";
  return `${grain}, ${stain}`;
}
