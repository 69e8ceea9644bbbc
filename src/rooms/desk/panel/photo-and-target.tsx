import { screenColourOfLab, type Lab } from "@/core/colour";

/** The photo's colour of an area and the one to paint, touching, so that the eye sees the difference. */
export function PhotoAndTarget({
  photo,
  target,
  width,
  height = "h-[4.6rem]",
}: {
  photo: Lab;
  target: Lab;
  width: string;
  height?: string;
}) {
  return (
    <span
      className={`flex ${height} shrink-0 ${width}`}
      role="img"
      aria-label="The photo's colour and the one to paint"
    >
      {[photo, target].map((lab, i) => (
        <span key={i} className="flex-1" style={{ background: screenColourOfLab(lab).hex }} />
      ))}
    </span>
  );
}
