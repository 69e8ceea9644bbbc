"use client";

import { QuietPage } from "@/ui/quiet-page";

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <QuietPage title="The desk could not be laid out">
      <p>Something went wrong while opening the data folder. Your paintings are still there. What happened stands in the window where Abendrot was started.</p>
      <button type="button" className="btn btn-primary mt-6" onClick={reset}>
        Try again
      </button>
    </QuietPage>
  );
}
