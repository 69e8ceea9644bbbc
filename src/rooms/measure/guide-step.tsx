import type { ReactNode } from "react";

/** A numbered step of the guide. */
export function Step({ number, title, children }: { number: number; title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0 space-y-3">
      <h2 className="name-face flex items-baseline gap-2 border-b border-(--hairline) pb-1 text-2xl">
        <span className="quiet text-lg">{number}</span>
        {title}
      </h2>
      {children}
    </section>
  );
}
