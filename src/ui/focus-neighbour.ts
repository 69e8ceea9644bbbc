const FOCUSABLE =
  "a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex='0']";

const isSeen = (element: HTMLElement): boolean => element.getClientRects().length > 0;

/** The first thing in an element that takes the focus, itself included; null for none. */
function focusableIn(element: Element | null): HTMLElement | null {
  if (!element?.isConnected) return null;
  if (element instanceof HTMLElement && element.matches(FOCUSABLE) && isSeen(element)) return element;
  return [...element.querySelectorAll<HTMLElement>(FOCUSABLE)].find(isSeen) ?? null;
}

/** Where a focused element stood: from itself outwards each ancestor's neighbours, the next one first. */
export function neighboursOf(element: Element): readonly Element[] {
  const found: Element[] = [];
  for (let at: Element | null = element; at && at !== document.body; at = at.parentElement) {
    if (at.nextElementSibling) found.push(at.nextElementSibling);
    if (at.previousElementSibling) found.push(at.previousElementSibling);
    if (at.parentElement) found.push(at.parentElement);
  }
  return found;
}

/** Gives the focus to the first of these that takes it. */
export function focusFirstOf(neighbours: readonly Element[]): void {
  for (const one of neighbours) {
    const next = focusableIn(one);
    if (next) return next.focus();
  }
}
