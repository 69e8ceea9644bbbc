import { redirect, unstable_rethrow } from "next/navigation";
import type { ReactNode } from "react";
import { SIGN_IN_PAGE } from "@/model/addresses";
import type { Store } from "@/storage/ports";
import { datedCopies, openStore } from "@/server/context/house";
import { SignInNeeded } from "@/server/context/refusals";
import { noteTrouble, troubleOf } from "@/server/http/trouble";
import { QuietPage } from "@/ui/quiet-page";
import { Damaged } from "@/ui/saving/damaged";
import { RoomGate } from "@/ui/saving/room-gate";

/** What a room shows and which documents that was made of: address and revision of each, and the one it changes. */
export interface OpenedRoom {
  readonly room: ReactNode;
  readonly revisions: Readonly<Record<string, number>>;
  readonly own?: string;
}

/** Reads the store and lays out a room behind its gate; what can't be read is told in words, in the room's place. */
export async function opened(read: (store: Store) => Promise<OpenedRoom>): Promise<ReactNode> {
  try {
    const { room, revisions, own } = await read(await openStore());
    const reading = crypto.randomUUID();
    return (
      <RoomGate key={reading} reading={reading} revisions={revisions} own={own}>
        {room}
      </RoomGate>
    );
  } catch (error) {
    // A redirect and a page that is not found travel as errors.
    unstable_rethrow(error);
    if (error instanceof SignInNeeded) redirect(SIGN_IN_PAGE);
    noteTrouble("A room could not be laid out", error);
    const { message, damaged } = troubleOf(
      error,
      "Something went wrong while the data folder was read. What happened stands in the window where Abendrot was started.",
    );
    return (
      <QuietPage title="The desk can't be laid out">
        <p role="alert">{message}</p>
        {damaged && <Damaged copies={await datedCopies()} nowIso={new Date().toISOString()} />}
        {/* A page of its own, read anew: no client code is needed to try again. */}
        <a className={`btn mt-6 ${damaged ? "btn-outline" : "btn-primary"}`} href="?">
          Try again
        </a>
      </QuietPage>
    );
  }
}
