/** The usual caution for pigments that ask for care; the label and the safety data sheet decide. */
export function Caution({ className = "" }: { className?: string }) {
  return (
    <p className={`quiet text-[0.9rem] ${className}`}>
      Pigments with cadmium, cobalt, nickel, manganese, chromium, lead, antimony, zinc or copper ask for the usual care:
      no brush in the mouth, no food at the table, no sanding or spraying without suitable protection, gloves on broken
      skin, rinse water by local rules. The label and the safety data sheet decide; for anything medical ask a doctor.
    </p>
  );
}
