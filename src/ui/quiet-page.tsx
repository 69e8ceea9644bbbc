import type { ReactNode } from "react";
import { Wordmark } from "./wordmark";

/** A page with little on it: waiting, empty, lost. The one place where the afterglow spreads. */
export function QuietPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="grid min-h-dvh grid-rows-[auto_1fr]">
      <header className="px-8 py-4">
        <Wordmark />
      </header>
      <div className="mx-auto w-full max-w-xl self-center px-8 pb-32">
        <div
          aria-hidden
          className="mb-8 h-24 rounded-box"
          style={{ background: "linear-gradient(to bottom, #4a3366, #8a5a92 32%, #df8188 64%, #f2b47c)" }}
        />
        <h1 className="name-face mb-3 text-3xl">{title}</h1>
        {children}
      </div>
    </main>
  );
}
