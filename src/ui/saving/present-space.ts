/** The space that this page was laid out for; "" on one's own machine. What a browser keeps is kept under it. */
export const presentSpace = (): string =>
  typeof document === "undefined" ? "" : (document.documentElement.dataset.space ?? "");
