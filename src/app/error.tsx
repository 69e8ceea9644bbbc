"use client";

import { QuietPage } from "@/ui/quiet-page";

/** What no room's own words cover: a fault of the program itself. */
export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <QuietPage title="The desk could not be laid out">
      <p>
        Something went wrong while this page was made. What is stored was not touched; changes that were not stored yet
        are kept in this browser. What happened stands in the window where Abendrot was started.
      </p>
      <button type="button" className="btn btn-primary mt-6" onClick={reset}>
        Try again
      </button>
    </QuietPage>
  );
}
