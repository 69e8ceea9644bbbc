import type { Locator } from "@playwright/test";

/**
 * Puts a text in the place of what a field holds, key by key as a hand does. `fill` sets it in one event, and a field
 * that is laid out anew at every letter looks well then: lint refuses it.
 * @param pause between two keys, milliseconds
 */
export async function type(field: Locator, text: string, pause = 0): Promise<void> {
  await field.focus();
  await field.press("ControlOrMeta+a");
  if (text === "") await field.press("Delete");
  else await field.pressSequentially(text, { delay: pause });
}

/** Puts a text in the place of what a field holds at once, as one pastes it. */
export async function paste(field: Locator, text: string): Promise<void> {
  await field.focus();
  await field.press("ControlOrMeta+a");
  await field.page().keyboard.insertText(text);
}

/** Moves a slider, or chooses a day: a field that nothing is typed into. */
export const set = (field: Locator, value: string): Promise<void> => field.fill(value);
