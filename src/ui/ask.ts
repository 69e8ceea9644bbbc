import { refusalOf } from "./saving/autosave-queue";
import { spaceHeaders } from "./saving/present-space";

const NO_ANSWER = "Abendrot doesn't answer. Is it still running?";

/** Asks for something; the answer, or what went wrong in words. */
export async function answerOf(url: string, init?: RequestInit): Promise<Response | string> {
  const headers = { ...spaceHeaders(), ...(init?.headers as Record<string, string> | undefined) };
  const response = await fetch(url, { ...init, headers }).catch(() => null);
  if (!response) return NO_ANSWER;
  return response.ok ? response : (await refusalOf(response)).message;
}

/** What is sent with a change as JSON. */
export const jsonOf = (method: "POST" | "PATCH" | "PUT", body: unknown): RequestInit => ({
  method,
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

/** Asks for a change; null when it was done, else what went wrong in words. */
export async function askFor(url: string, init: RequestInit): Promise<string | null> {
  const answer = await answerOf(url, init);
  return typeof answer === "string" ? answer : null;
}

/** Puts paints on the list to buy; null when they are, else what went wrong in words. */
export const noteLow = (paintIds: readonly string[]): Promise<string | null> =>
  askFor("/api/paintbox", jsonOf("PATCH", { low: paintIds }));
