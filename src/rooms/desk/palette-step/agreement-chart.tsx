"use client";

import { useMemo, useState, type CSSProperties } from "react";
import { screenColourOfLab } from "@/core/colour";
import { agreementsOf, type Agreement, type Verdict } from "@/core/mud";
import type { Paper } from "@/core/optics";
import { agreementWords, VERDICT_WORDS } from "@/ui/agreement-words";
import { Strip } from "@/ui/strip";
import type { KnownPaint } from "../paints";

const STRIP_WIDTH = 380;
const VERDICTS: readonly Verdict[] = ["clean", "quiet", "grey"];

/** A full, a half and an empty disc: how much of the colour is left. */
function Mark({ verdict }: { verdict: Verdict }) {
  return (
    <svg aria-hidden viewBox="0 0 12 12" className="size-3">
      <circle cx="6" cy="6" r="5" fill={verdict === "clean" ? "#1b1b1b" : "#fff"} stroke="#1b1b1b" strokeWidth="1.2" />
      {verdict === "quiet" && <path d="M6 1 a5 5 0 0 1 0 10 z" fill="#1b1b1b" />}
    </svg>
  );
}

/** One pair: what the two do with each other, from one to the other in strips. */
function Pair({ pair, paints, paper }: { pair: Agreement; paints: readonly KnownPaint[]; paper: Paper }) {
  const nameOf = (id: string): string => paints.find((paint) => paint.id === id)?.name ?? "paint";
  return (
    <div className="space-y-1.5" aria-live="polite">
      <p className="leading-snug">
        <strong className="font-semibold">
          {nameOf(pair.first.id)} and {nameOf(pair.second.id)}
        </strong>{" "}
        {agreementWords(pair, nameOf)}
      </p>
      <Strip
        mix={[
          { paint: pair.first, parts: pair.balanced.parts[0] },
          { paint: pair.second, parts: pair.balanced.parts[1] },
        ]}
        paper={paper}
        width={STRIP_WIDTH}
        height={30}
        from={0.6}
        to={0.06}
        label={`${pair.balanced.parts[0]} ${nameOf(pair.first.id)} to ${pair.balanced.parts[1]} ${nameOf(pair.second.id)}`}
      />
    </div>
  );
}

/** Every two paints of the tray: which stay clean together, which quieten each other, which make a grey. */
export function AgreementChart({ paints, paper }: { paints: readonly KnownPaint[]; paper: Paper }) {
  const pairs = useMemo(
    () =>
      agreementsOf(
        paints.map(({ model }) => model),
        paper,
      ),
    [paints, paper],
  );
  const [shown, setShown] = useState<string | null>(null);
  const keyOf = ({ first, second }: Agreement): string => `${first.id} ${second.id}`;
  const pairOf = (first: KnownPaint, second: KnownPaint): Agreement =>
    pairs.find((pair) => pair.first.id === first.id && pair.second.id === second.id)!;
  const open = pairs.find((pair) => keyOf(pair) === shown) ?? pairs[0]!;
  return (
    <section aria-label="Which agree" data-print-alone className="space-y-2">
      <div className="flex items-center">
        <h3 className="flex-1 font-semibold">Which agree?</h3>
        <button type="button" className="btn btn-ghost btn-sm print:hidden" onClick={() => window.print()}>
          Print this chart
        </button>
      </div>
      <table
        aria-label="Which paints agree"
        className="border-separate border-spacing-0.5 text-[0.9rem]"
        // On paper as many columns as there are paints stand beside the names.
        style={{ "--cell": `min(2rem, calc((100vw - 11rem) / ${paints.length} - 2px))` } as CSSProperties}
      >
        <tbody>
          {paints.map((second, row) => (
            <tr key={second.id}>
              <th scope="row" className="max-w-36 truncate pr-1 text-left font-normal" title={second.name}>
                <span className="quiet mr-1">{row + 1}</span>
                {second.name}
              </th>
              {paints.slice(0, row).map((first) => {
                const pair = pairOf(first, second);
                return (
                  <td key={first.id}>
                    <button
                      type="button"
                      aria-pressed={pair === open}
                      aria-label={`${first.name} and ${second.name}: ${VERDICT_WORDS[pair.verdict]}`}
                      className={`grid h-8 w-8 cursor-pointer place-items-center print:size-(--cell) print:min-h-0 ${pair === open ? "outline-2 outline-offset-1 outline-base-content" : ""}`}
                      style={{ background: screenColourOfLab(pair.balanced.dry).hex }}
                      onClick={() => setShown(keyOf(pair))}
                    >
                      <Mark verdict={pair.verdict} />
                    </button>
                  </td>
                );
              })}
              {row < paints.length - 1 && <td className="quiet text-center">{row + 1}</td>}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="label-line flex flex-wrap items-center gap-x-4 gap-y-1">
        {VERDICTS.map((verdict) => (
          <span key={verdict} className="flex items-center gap-1.5">
            <Mark verdict={verdict} /> {VERDICT_WORDS[verdict]}
          </span>
        ))}
      </p>
      <div className="print:hidden">
        <Pair pair={open} paints={paints} paper={paper} />
      </div>
      <p className="hidden print:block">
        Every two paints in the proportion where neither has the upper hand, a full wash on {paper.name}, predicted.
        Printed colours are only near to the screen&apos;s: trust the marks.
      </p>
    </section>
  );
}
