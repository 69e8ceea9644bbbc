import type { ReactNode } from "react";
import { Help } from "./help/help";
import { RoomWays } from "./room-ways";
import { ROOMS } from "./rooms";
import { Wordmark } from "./wordmark";

/** Head of every room but the desk: where one is and the way to the others. */
export function RoomHeader({
  room,
  children,
}: {
  room: (typeof ROOMS)[number]["name"] | "Guide" | "Pack a box" | "Safe keeping";
  children?: ReactNode;
}) {
  return (
    <header className="sticky top-0 z-30 bg-base-100 small:static print:hidden">
      <div className="flex min-h-13 items-center gap-4 px-5 max-xl:gap-2.5 max-xl:px-3.5 portrait:flex-wrap portrait:gap-y-0 portrait:py-1.5 small:flex-wrap small:gap-y-0 small:py-1.5">
        <Wordmark />
        <h1 className="name-face text-lg">{room}</h1>
        {children}
        <nav aria-label="Rooms" className="ml-auto flex gap-1 max-xl:gap-0">
          <RoomWays rooms={ROOMS.filter(({ name }) => name !== room)} className="max-xl:px-1" />
          <Help />
        </nav>
      </div>
      <div aria-hidden className="h-[3px]" style={{ background: "var(--afterglow)" }} />
    </header>
  );
}
