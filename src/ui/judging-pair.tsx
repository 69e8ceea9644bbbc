import { screenColourOfLab, type Lab } from "@/core/colour";

interface JudgingPairProps {
  readonly wanted: Lab;
  readonly mix: Lab;
  readonly className?: string;
  /** What the two are; the colour to paint and the mix as it dries, if nothing else is said. */
  readonly names?: readonly [left: string, right: string];
}

const USUAL = ["the colour to paint", "the mix as it dries"] as const;

/**
 * The colour to paint and the predicted dry colour, touching without a gap or line; a dot marks a colour the screen
 * can't show.
 */
export function JudgingPair({ wanted, mix, className = "h-14 w-28", names = USUAL }: JudgingPairProps) {
  const sides = [
    { name: names[0], colour: screenColourOfLab(wanted) },
    { name: names[1], colour: screenColourOfLab(mix) },
  ];
  const mapped = sides.filter((side) => side.colour.mapped).map((side) => side.name);
  const label = `Left ${names[0]}, right ${names[1]}${mapped.length > 0 ? `; beyond this screen: ${mapped.join(" and ")}` : ""}`;
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
