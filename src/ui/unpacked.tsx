"use client";

import { gunzipSync, strFromU8 } from "fflate";
import { createElement, useMemo, useSyncExternalStore, type ComponentType, type ReactNode } from "react";
import { fromJson, type Packed } from "@/model/packed";
import { Opening } from "./opening";

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0));

/** Takes out what a page was laid out with. */
const unpack = <T,>({ packed }: Pick<Packed<T>, "packed" | "of">): T =>
  fromJson(strFromU8(gunzipSync(bytesOf(packed)))) as T;

/**
 * From so much on (letters) a room is laid out in the browser alone: what the server would make of thousands of paints
 * the browser makes once more in any case.
 */
const HEAVY = 48_000;
const never = (): (() => void) => () => {};

/** A room that is laid out with packed properties. */
export function unpacked<Props extends object>(Room: ComponentType<Props>) {
  function Laid({ props }: { props: Packed<Props> }): ReactNode {
    const taken = useMemo(() => unpack(props), [props]);
    return createElement(Room, taken);
  }
  return function Unpacked({ props }: { props: Packed<Props> }): ReactNode {
    const inBrowser = useSyncExternalStore(
      never,
      () => true,
      () => false,
    );
    return inBrowser || (!props.inBrowser && props.packed.length < HEAVY) ? <Laid props={props} /> : <Opening />;
  };
}
