import { SPACE_HEADER } from "@/model/sign-in";

/** The space that this page was laid out for; "" on one's own machine. What a browser keeps is kept under it. */
export const presentSpace = (): string =>
  typeof document === "undefined" ? "" : (document.documentElement.dataset.space ?? "");

/** What is sent with everything that a page asks for: for which space it was laid out. */
export const spaceHeaders = (): Record<string, string> => {
  const space = presentSpace();
  return space === "" ? {} : { [SPACE_HEADER]: space };
};
