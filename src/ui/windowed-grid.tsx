"use client";

import { useVirtualizer, useWindowVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useRef, useState, type Key, type ReactNode } from "react";

/** Lists up to so long are laid out whole, where a list does not say otherwise. */
const WHOLE_UP_TO = 60;
/** The least width of a card in a list of one column. */
export const ONE_COLUMN_PX = 10_000;
/** Rows laid out beyond those that are seen, on each side: what Tab comes to next is there. */
const ROWS_BEYOND = 3;

/** How a list lies in what scrolls it. */
interface Laid {
  readonly columns: number;
  /** What scrolls: the side of a room, or in a small window the page. */
  readonly scroller: HTMLElement | null;
  /** Where in it the list begins, px. */
  readonly top: number;
}

function scrollerOf(list: HTMLElement): HTMLElement | null {
  for (let at = list.parentElement; at && at !== document.body; at = at.parentElement)
    if (/auto|scroll/.test(getComputedStyle(at).overflowY)) return at;
  return null;
}

function laidIn(list: HTMLElement, leastPx: number, gapPx: number): Laid {
  const scroller = scrollerOf(list);
  const { top, width } = list.getBoundingClientRect();
  const from = scroller ? scroller.scrollTop - scroller.getBoundingClientRect().top : window.scrollY;
  return {
    columns: Math.max(1, Math.floor((width + gapPx) / (Math.min(leastPx, width) + gapPx))),
    scroller,
    top: Math.round(top + from),
  };
}

/**
 * A list of cards side by side, of which only those are on the page that are seen, and some rows beyond: a shelf of
 * years is as quick as a short one.
 * @param leastPx least width of a card
 * @param rowPx about how high a row is before it is measured
 * @param wholeUpTo lists up to so long are laid out whole
 */
export function WindowedGrid<Item>({
  label,
  items,
  keyOf,
  leastPx,
  gapPx: [across, down],
  rowPx,
  wholeUpTo = WHOLE_UP_TO,
  className = "",
  children,
}: {
  label: string;
  items: readonly Item[];
  keyOf: (item: Item) => Key;
  leastPx: number;
  gapPx: readonly [across: number, down: number];
  rowPx: number;
  wholeUpTo?: number;
  className?: string;
  children: (item: Item) => ReactNode;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [laid, setLaid] = useState<Laid | null>(null);
  const long = items.length > wholeUpTo;
  useLayoutEffect(() => {
    const own = list.current;
    if (!own || !long) return;
    const look = (): void =>
      setLaid((before) => {
        const now = laidIn(own, leastPx, across);
        return before?.columns === now.columns && before.scroller === now.scroller && before.top === now.top
          ? before
          : now;
      });
    look();
    const watch = new ResizeObserver(look);
    watch.observe(own);
    if (own.parentElement) watch.observe(own.parentElement);
    return () => watch.disconnect();
  }, [long, leastPx, across]);
  const columns = laid?.columns ?? 1;
  const how = {
    count: laid ? Math.ceil(items.length / columns) : 0,
    estimateSize: () => rowPx,
    overscan: ROWS_BEYOND,
    gap: down,
    scrollMargin: laid?.top ?? 0,
  };
  const scroller = laid?.scroller ?? null;
  // What its functions answer changes with the window: nothing of this component is kept from one drawing to the next.
  // oxlint-disable-next-line react/incompatible-library
  const byItself = useVirtualizer<HTMLElement, HTMLLIElement>({
    ...how,
    getScrollElement: () => scroller,
    enabled: scroller !== null,
  });
  const byPage = useWindowVirtualizer<HTMLLIElement>({ ...how, enabled: laid !== null && scroller === null });
  const virtualizer = scroller ? byItself : byPage;
  const rows = laid ? virtualizer.getVirtualItems() : [];
  const [first, last] = [rows[0], rows.at(-1)];
  const whole = !long || !laid;
  const [from, to] = whole
    ? [0, Math.min(items.length, wholeUpTo)]
    : [(first?.index ?? 0) * columns, ((last?.index ?? -1) + 1) * columns];
  return (
    <ul
      ref={list}
      aria-label={label}
      className={`grid ${className}`}
      style={{
        columnGap: across,
        rowGap: down,
        gridTemplateColumns: `repeat(auto-fill, minmax(min(${leastPx}px, 100%), 1fr))`,
        ...(whole
          ? {}
          : {
              paddingTop: Math.max(0, (first?.start ?? 0) - laid.top),
              paddingBottom: Math.max(0, virtualizer.getTotalSize() - ((last?.end ?? 0) - laid.top)),
            }),
      }}
    >
      {items.slice(from, to).map((item, i) => (
        <li
          key={keyOf(item)}
          className="grid min-w-0"
          aria-setsize={items.length}
          aria-posinset={from + i + 1}
          // Of each row the first card is measured: cards of a row are as high as it.
          {...(!whole && i % columns === 0
            ? { ref: virtualizer.measureElement, "data-index": (from + i) / columns }
            : {})}
        >
          {children(item)}
        </li>
      ))}
    </ul>
  );
}
