import { NextResponse } from "next/server";
import { openStore } from "@/server/context/house";
import { refuseTrouble } from "@/server/http/reply";
import { entriesHere } from "@/server/logbook-shown";

/** All entries of the book, asked for anew after a file was brought into it. */
export async function GET(): Promise<NextResponse> {
  try {
    return NextResponse.json({ entries: await entriesHere(await openStore()) });
  } catch (error) {
    return refuseTrouble("The logbook could not be read", error, "The logbook could not be read. Load the page again.");
  }
}
