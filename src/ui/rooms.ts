/** The rooms, in the order of their ways in every head. */
export const ROOMS = [
  { href: "/", name: "Desk" },
  { href: "/paintings", name: "Paintings" },
  { href: "/paintbox", name: "Paintbox" },
  { href: "/logbook", name: "Logbook" },
  { href: "/measure", name: "Measure" },
  { href: "/handbook", name: "Handbook" },
  { href: "/try-a-mix", name: "Try a mix" },
] as const;
