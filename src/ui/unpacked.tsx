"use client";

import { gunzipSync, strFromU8 } from "fflate";
import { createElement, startTransition, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import type { ComponentType, ReactNode } from "react";
import { fromJson, type Packed } from "@/model/packed";
import { Opening } from "./opening";
import { troubleWith } from "./trouble";

function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  const letters = atob(base64);
  const bytes = new Uint8Array(letters.length);
  for (let i = 0; i < bytes.length; i++) bytes[i] = letters.charCodeAt(i);
  return bytes;
}

/** Takes out what a page was laid out with. */
const unpack = <T,>({ packed }: Pick<Packed<T>, "packed" | "of">): T =>
  Object.fromEntries(
    Object.entries(packed).map(([key, part]) => [key, fromJson(strFromU8(gunzipSync(bytesOf(part))))]),
  ) as T;

/** The same beside whatever else the page does, where the browser can. */
async function unpackBeside<T>(packed: Packed<T>): Promise<T> {
  if (typeof DecompressionStream === "undefined") return unpack(packed);
  const beside = async (part: string): Promise<unknown> => {
    const stream = new Blob([bytesOf(part)]).stream().pipeThrough(new DecompressionStream("gzip"));
    return fromJson(await new Response(stream).text());
  };
  const parts = Object.entries(packed.packed).map(async ([key, part]) => [key, await beside(part)] as const);
  return Object.fromEntries(await Promise.all(parts)) as T;
}

/**
 * From so much on (letters) a room is laid out in the browser alone: what the server would make of thousands of paints
 * the browser makes once more in any case.
 */
const HEAVY = 48_000;
const never = (): (() => void) => () => {};

/** A room that is laid out with packed properties. */
export function unpacked<Props extends object>(Room: ComponentType<Props>) {
  function Light({ props }: { props: Packed<Props> }): ReactNode {
    const taken = useMemo(() => unpack(props), [props]);
    return createElement(Room, taken);
  }
  function Heavy({ props }: { props: Packed<Props> }): ReactNode {
    // What was there stays until what comes is unpacked.
    const [taken, setTaken] = useState<Props | null>(null);
    useEffect(() => {
      let stale = false;
      unpackBeside(props).then(
        (now) => !stale && startTransition(() => setTaken(now)),
        troubleWith("The page came in pieces. Load it again."),
      );
      return () => {
        stale = true;
      };
    }, [props]);
    return taken ? createElement(Room, taken) : <Opening />;
  }
  return function Unpacked({ props }: { props: Packed<Props> }): ReactNode {
    const inBrowser = useSyncExternalStore(
      never,
      () => true,
      () => false,
    );
    const heavy = Object.values(props.packed).reduce((letters, part) => letters + part.length, 0) >= HEAVY;
    if (!inBrowser && (props.inBrowser || heavy)) return <Opening />;
    return heavy ? <Heavy props={props} /> : <Light props={props} />;
  };
}
