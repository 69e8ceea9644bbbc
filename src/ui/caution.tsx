/** Work that can hurt, and the usual care for it. What is said is common practice; label and data sheet decide. */
export const CAUTIONS = {
  pigments:
    "Pigments with cadmium, cobalt, nickel, manganese, chromium, lead, antimony, zinc or copper ask for the usual care: " +
    "no brush in the mouth, no food at the table, no sanding or spraying without suitable protection, gloves on broken " +
    "skin, rinse water by local rules. The label and the safety data sheet decide; for anything medical ask a doctor.",
  masking:
    "Masking fluid may give off ammonia or solvents: fresh air, away from skin and eyes, no good brush. Its label and " +
    "safety data sheet decide.",
  heat:
    "A dryer or heat tool burns skin, paper and masking fluid: keep it moving and at arm's length, away from water and " +
    "solvents, and heed its instructions.",
} as const;

/** The usual caution where work can hurt; the label and the safety data sheet decide. */
export function Caution({ of = "pigments", className = "" }: { of?: keyof typeof CAUTIONS; className?: string }) {
  return <p className={`quiet text-[0.9rem] leading-snug ${className}`}>{CAUTIONS[of]}</p>;
}
