import "server-only";
import { createHash, randomBytes, randomInt, timingSafeEqual } from "node:crypto";
import { cookies, headers } from "next/headers";
import { z } from "zod";
import { CODE_DIGITS } from "@/model/beside";
import type { PaintingDocument } from "@/model/painting";
import type { StoredPainting, Store } from "@/storage/ports";
import { acrossBundles } from "./across-bundles";
import { openOwn } from "./own-folder";
import { NotForGuests } from "./refusals";

/** Set by scripts/start.mjs on what arrives where second screens are heard, and taken off everything else. */
const GUEST_HEADER = "x-abendrot-guest";
const COOKIE = "abendrot-beside";
/** Wrong codes after which another one is made: a million codes, so five tries find one in two hundred thousand. */
const WRONG_TRIES = 5;
const MOST_DEVICES = 8;

interface Device {
  readonly name: string;
  readonly since: Date;
}

/** Who is paired: kept in memory alone, so it ends with the program. */
interface Beside {
  code: string;
  wrong: number;
  readonly devices: Map<string, Device>;
  presentId: string | null;
}

const newCode = (): string => String(randomInt(10 ** CODE_DIGITS)).padStart(CODE_DIGITS, "0");

const beside = acrossBundles<Beside>("beside", () => ({
  code: newCode(),
  wrong: 0,
  devices: new Map(),
  presentId: null,
}));

const addressesTold = z.array(z.url({ protocol: /^http$/ }));

/** Addresses at which second screens are heard; none unless Abendrot was started with --share. */
export function shareAddresses(): readonly string[] {
  try {
    return addressesTold.parse(JSON.parse(process.env.ABENDROT_SHARED_AT ?? "[]"));
  } catch {
    return [];
  }
}

/** Whether a request came in where second screens are heard. */
export const isGuest = async (): Promise<boolean> => (await headers()).get(GUEST_HEADER) !== null;

/** Refuses what comes from a second screen. Throws NotForGuests. */
export async function notForGuests(): Promise<void> {
  if (await isGuest()) throw new NotForGuests();
}

/** The code that pairs the next device, and who is paired. */
export const pairing = (): { readonly code: string; readonly devices: readonly Device[] } => ({
  code: beside.code,
  devices: [...beside.devices.values()],
});

const alike = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** What a device calls itself, in two words. */
function nameOf(agent: string): string {
  const known = [
    [/iPad/, "iPad"],
    [/iPhone/, "Phone"],
    [/Android.*Mobile/, "Phone"],
    [/Android/, "Tablet"],
  ] as const;
  return known.find(([pattern]) => pattern.test(agent))?.[1] ?? "Device";
}

/**
 * Pairs the device that sent the code; a code pairs one device. False for a wrong one: after five of them there is
 * another code.
 */
export async function pair(code: string): Promise<boolean> {
  const right = alike(code, beside.code) && beside.devices.size < MOST_DEVICES;
  if (!right && ++beside.wrong < WRONG_TRIES) return false;
  beside.code = newCode();
  beside.wrong = 0;
  if (!right) return false;
  const token = randomBytes(32).toString("base64url");
  beside.devices.set(token, { name: nameOf((await headers()).get("user-agent") ?? ""), since: new Date() });
  (await cookies()).set(COOKIE, token, { httpOnly: true, sameSite: "strict", path: "/" });
  return true;
}

/** Ends it for all devices; the next one needs another code. */
export function unpairAll(): void {
  beside.devices.clear();
  beside.code = newCode();
  beside.wrong = 0;
}

/** Whether the device that asks is paired. */
export async function isPaired(): Promise<boolean> {
  const token = (await cookies()).get(COOKIE)?.value;
  return token !== undefined && shareAddresses().length > 0 && beside.devices.has(token);
}

/** Notes which painting lies on the desk. */
export function noteOnDesk(id: string): void {
  beside.presentId = id;
}

/** The store, for a paired device. Throws NotForGuests. */
export async function storeBeside(): Promise<Store> {
  if (!(await isPaired())) throw new NotForGuests();
  return (await openOwn()).store;
}

/** The painting on the desk, else the one last worked on; null for none. */
export async function paintingOnDesk({ paintings }: Store): Promise<StoredPainting | null> {
  const noted = beside.presentId === null ? null : await paintings.find(beside.presentId);
  if (noted && !noted.binned) return noted;
  const [latest] = await paintings.list();
  return latest ? paintings.find(latest.id) : null;
}

/** A word for all that stands in a painting but what was ticked off at the easel. */
export const contentOf = (document: PaintingDocument): string =>
  createHash("sha256")
    .update(JSON.stringify({ ...document, plan: { ...document.plan, sat: [] } }))
    .digest("base64url");
