import Link from "next/link";
import type { ReactNode } from "react";
import { Help } from "./help/help";
import { Wordmark } from "./wordmark";

const ROOMS = [
  { href: "/", name: "Desk" },
  { href: "/paintings", name: "Paintings" },
  { href: "/paintbox", name: "Paintbox" },
  { href: "/logbook", name: "Logbook" },
  { href: "/measure", name: "Measure" },
  { href: "/handbook", name: "Handbook" },
  { href: "/try-a-mix", name: "Try a mix" },
] as const;

/** Head of every room but the desk: where one is and the way to the others. */
export function RoomHeader({
  room,
  children,
}: {
  room: (typeof ROOMS)[number]["name"] | "Guide" | "Pack a box" | "Safe keeping";
  children?: ReactNode;
}) {
  return (
    <header className="sticky top-0 z-30 bg-base-100 print:hidden">
      <div className="flex min-h-13 items-center gap-4 px-5 max-xl:gap-2.5 max-xl:px-3.5 portrait:flex-wrap portrait:gap-y-0 portrait:py-1.5">
        <Wordmark />
        <h1 className="name-face text-lg">{room}</h1>
        {children}
        <nav aria-label="Rooms" className="ml-auto flex gap-1 max-xl:gap-0">
          {ROOMS.filter(({ name }) => name !== room).map(({ href, name }) => (
            <Link key={href} prefetch={false} href={href} className="btn btn-ghost btn-sm max-xl:px-1">
              {name}
            </Link>
          ))}
          <Help />
        </nav>
      </div>
      <div aria-hidden className="h-[3px]" style={{ background: "var(--afterglow)" }} />
    </header>
  );
}
