import { screenColourOfLab, type Lab } from "@/core/colour";

interface JudgingPairProps {
  readonly wanted: Lab;
  readonly mix: Lab;
  readonly className?: string;
}

/**
 * The colour to paint and the predicted dry colour, touching without a gap or line; a dot marks a colour the screen
 * can't show.
 */
export function JudgingPair({ wanted, mix, className = "h-14 w-28" }: JudgingPairProps) {
  const sides = [
    { name: "colour to paint", colour: screenColourOfLab(wanted) },
    { name: "mix, dry", colour: screenColourOfLab(mix) },
  ];
  const mapped = sides.filter((side) => side.colour.mapped).map((side) => side.name);
  const label = `Left the colour to paint, right the mix as it dries${mapped.length > 0 ? `; beyond this screen: ${mapped.join(" and ")}` : ""}`;
  return (
    <div role="img" aria-label={label} title={label} className={`relative flex shrink-0 ${className}`}>
      {sides.map(({ name, colour }) => (
        <span key={name} className="relative h-full w-1/2" style={{ background: colour.hex }}>
          {colour.mapped && (
            <span aria-hidden className="absolute top-1 right-1 size-1.5 rounded-full bg-white ring-1 ring-black/60" />
          )}
        </span>
      ))}
    </div>
  );
}
