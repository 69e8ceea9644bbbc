import { beforeEach, expect, test, vi } from "vitest";
import { PAPERS } from "@/core/optics";
import { newPainting } from "@/model/painting";

/** What a device sends and keeps: the server's other end is looked at in the browser (e2e/beside.spec.ts). */
const device = vi.hoisted(() => ({ cookie: undefined as string | undefined, headers: new Map<string, string>() }));
vi.mock("server-only", () => ({}));
vi.mock("next/headers", () => ({
  headers: () => Promise.resolve({ get: (name: string) => device.headers.get(name) ?? null }),
  cookies: () =>
    Promise.resolve({
      get: () => (device.cookie === undefined ? undefined : { value: device.cookie }),
      set: (_name: string, value: string) => (device.cookie = value),
    }),
}));
vi.mock("./own-folder", () => ({ openOwn: () => Promise.reject(new Error("No store is needed here.")) }));

const { contentOf, isPaired, notForGuests, pair, pairing, shareAddresses, unpairAll } = await import("./beside");
const { NotForGuests } = await import("./refusals");

const wrongCode = (): string => (pairing().code === "000000" ? "111111" : "000000");

beforeEach(() => {
  vi.stubEnv("ABENDROT_SHARED_AT", JSON.stringify(["http://192.0.2.7:3001"]));
  unpairAll();
  device.cookie = undefined;
  device.headers.clear();
});

test("the code pairs one device; another needs another code", async () => {
  const { code } = pairing();
  expect(code).toMatch(/^\d{6}$/);
  expect(await isPaired()).toBe(false);
  device.headers.set("user-agent", "Mozilla/5.0 (Linux; Android 14) Tablet");
  expect(await pair(code)).toBe(true);
  expect(await isPaired()).toBe(true);
  expect(pairing().devices.map(({ name }) => name)).toEqual(["Tablet"]);
  expect(await pair(code)).toBe(false);
  device.cookie = "made up";
  expect(await isPaired()).toBe(false);
});

test("five wrong codes make the one that was shown worthless", async () => {
  const { code } = pairing();
  for (let tries = 0; tries < 4; tries++) expect(await pair(wrongCode())).toBe(false);
  expect(pairing().code).toBe(code);
  expect(await pair(wrongCode())).toBe(false);
  expect(await pair(code)).toBe(pairing().code === code);
});

test("no more than eight devices are paired, and one press ends it for all", async () => {
  const cookies: string[] = [];
  for (let n = 0; n < 8; n++) {
    expect(await pair(pairing().code)).toBe(true);
    cookies.push(device.cookie!);
  }
  expect(new Set(cookies).size).toBe(8);
  expect(await pair(pairing().code)).toBe(false);
  unpairAll();
  for (const cookie of cookies) {
    device.cookie = cookie;
    expect(await isPaired()).toBe(false);
  }
});

test("without --share nobody is paired, whatever cookie is sent; what is told of addresses is read with care", async () => {
  expect(await pair(pairing().code)).toBe(true);
  for (const told of ["", "[]", "nonsense", '["ftp://192.0.2.7"]']) {
    vi.stubEnv("ABENDROT_SHARED_AT", told);
    expect(shareAddresses()).toEqual([]);
    expect(await isPaired()).toBe(false);
  }
});

test("what comes in where second screens are heard is refused everything that is not theirs", async () => {
  await expect(notForGuests()).resolves.toBeUndefined();
  device.headers.set("x-abendrot-guest", "yes");
  await expect(notForGuests()).rejects.toBeInstanceOf(NotForGuests);
});

test("a tick changes nothing that the tablet would have to be laid out anew for; anything else does", () => {
  const before = newPainting("Canal", PAPERS[0].id);
  const ticked = {
    ...before,
    plan: { ...before.plan, sat: [{ key: crypto.randomUUID(), as: "done" as const, at: new Date().toISOString() }] },
  };
  expect(contentOf(ticked)).toBe(contentOf(before));
  expect(contentOf({ ...before, title: "Canal, frozen" })).not.toBe(contentOf(before));
  expect(contentOf({ ...before, plan: { ...before.plan, hand: "left" } })).not.toBe(contentOf(before));
});
