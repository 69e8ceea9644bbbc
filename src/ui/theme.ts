import { z } from "zod";

/** The two looks of the working surfaces; kept in a cookie so that the first paint is right. */
export const themeName = z.enum(["daylight", "dusk"]);
export type ThemeName = z.infer<typeof themeName>;

/** The theme now shown: the chosen one, or what the system prefers. */
export function shownTheme(): ThemeName {
  const chosen = themeName.safeParse(document.documentElement.dataset.theme);
  if (chosen.success) return chosen.data;
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "dusk" : "daylight";
}

export function chooseTheme(theme: ThemeName): void {
  document.documentElement.dataset.theme = theme;
  document.cookie = `theme=${theme}; path=/; max-age=31536000; samesite=strict`;
}
