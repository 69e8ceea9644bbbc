"use client";

import Link from "next/link";
import { Menu } from "./menu";

/** Ways to rooms: beside each other, or in a small window behind one word. */
export function RoomWays({
  rooms,
  className = "",
}: {
  rooms: readonly { readonly href: string; readonly name: string }[];
  /** Of each way beside the others. */
  className?: string;
}) {
  return (
    <>
      {rooms.map(({ href, name }) => (
        <Link key={href} prefetch={false} href={href} className={`btn btn-ghost btn-sm small:hidden ${className}`}>
          {name}
        </Link>
      ))}
      <Menu label="Rooms" className="hidden small:block">
        {() =>
          rooms.map(({ href, name }) => (
            <li key={href}>
              <Link prefetch={false} href={href}>
                {name}
              </Link>
            </li>
          ))
        }
      </Menu>
    </>
  );
}
