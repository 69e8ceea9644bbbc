"use client";

import { Printer } from "lucide-react";
import type { PaintEntry } from "@/model/paintbox";
import { pigmentById } from "@/core/pigments";

const line = (paint: PaintEntry): string =>
  [
    paint.name,
    paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" "),
    [paint.maker, paint.line].filter(Boolean).join(" "),
    paint.notes,
  ]
    .filter(Boolean)
    .join(" · ");

/** What to buy and what not to, from where the paints stand; to be printed or taken along. */
export function Lists({ paints }: { paints: readonly PaintEntry[] }) {
  const lists = [
    {
      title: "To buy",
      words: "wished for, running low, used up or dried out",
      paints: paints.filter(({ status }) => ["wished for", "low", "used up", "dried out"].includes(status)),
    },
    { title: "Not to buy", words: "never again", paints: paints.filter(({ status }) => status === "never again") },
  ].filter((list) => list.paints.length > 0);
  if (lists.length === 0) return null;
  return (
    <section aria-label="Lists" className="mt-8 max-w-3xl border-t border-(--hairline) pt-4">
      {lists.map(({ title, words, paints: listed }) => (
        <div key={title} className="mb-4">
          <h2 className="name-face text-2xl">
            {title} <span className="label-line">{words}</span>
          </h2>
          <ul className="list-disc pl-5">
            {listed.map((paint) => (
              <li key={paint.id}>
                {line(paint)}
                {title === "To buy" && paint.status !== "wished for" && ` (${paint.status})`}
              </li>
            ))}
          </ul>
        </div>
      ))}
      <button type="button" className="btn btn-sm print:hidden" onClick={() => window.print()}>
        <Printer size={14} /> Print these lists
      </button>
    </section>
  );
}
