import { readdirSync } from "node:fs";
import { request as httpRequest } from "node:http";
import { join } from "node:path";
import { expect } from "@playwright/test";
import sharp from "sharp";
import { newPainting } from "@/model/painting";
import { testAlone as test } from "./house";
import { judged, staysInside } from "./judged";
import { freePort, launch, onServer, startServer, type RunningServer } from "./server";

let server: RunningServer;
test.beforeAll(async () => {
  server = await startServer();
});
test.afterAll(() => server.stop("SIGTERM"));

/** Status of a request with headers that fetch would not let through. */
function status(path: string, headers: Record<string, string>, method = "GET"): Promise<number> {
  return new Promise((resolve, reject) => {
    httpRequest(`${server.url}${path}`, { method, headers, agent: false }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    })
      .on("error", reject)
      .end();
  });
}

const upload = (body: Buffer, name = "photo.jpg"): Promise<Response> =>
  fetch(`${server.url}/api/photos`, { method: "POST", headers: { "x-file-name": name }, body: new Uint8Array(body) });
const storedPhotos = (): string[] => readdirSync(join(server.folder, "photos"));

test("foreign Host and Origin are refused, one's own are not", async () => {
  expect(await status("/", { host: "abendrot.example" })).toBe(403);
  expect(await status("/api/photos", { host: "127.0.0.1.example:80" }, "POST")).toBe(403);
  expect(await status("/", { origin: "http://evil.example" })).toBe(403);
  expect(await status("/", { origin: "null" })).toBe(403);
  expect(await status("/paintbox", { origin: server.url })).toBe(200);
  // The photos' own door, which large bodies go through, is as strict.
  expect(await status("/api/photos", { origin: "http://evil.example" }, "POST")).toBe(403);
  const port = new URL(server.url).port;
  expect(await status("/paintbox", { host: `localhost:${port}` })).toBe(200);
});

test("a browser's word that a request comes from elsewhere is heeded, with or without an Origin; a link from elsewhere still opens a page", async () => {
  const from = (site: string, mode = "cors") => ({ "sec-fetch-site": site, "sec-fetch-mode": mode });
  for (const site of ["cross-site", "same-site"]) {
    for (const [path, method] of [
      ["/api/paintbox", "PUT"],
      ["/api/photos", "POST"],
      ["/api/photos/x", "GET"],
      ["/api/paintings", "POST"],
    ] as const)
      expect(await status(path, from(site), method)).toBe(403);
  }
  expect(await status("/api/paintbox", from("same-origin"), "PUT")).toBe(400);
  expect(await status("/paintbox", from("none", "navigate"))).toBe(200);
  expect(await status("/paintbox", from("cross-site", "navigate"))).toBe(200);
});

test("what can't be asked is answered so, not with a fault", async () => {
  expect(await status("/painting/%ff", {})).toBe(400);
  expect(await status("/", {}, "TRACE")).toBe(405);
  expect(await status("/_next/x", {}, "PUT")).toBe(405);
  expect(await status("/paintbox", { rsc: "1", "next-router-state-tree": "%5B" })).toBe(400);
});

test("pages carry a strict content policy", async () => {
  const response = await fetch(`${server.url}/paintbox`);
  const policy = response.headers.get("content-security-policy") ?? "";
  expect(policy).toContain("default-src 'self'");
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic' 'wasm-unsafe-eval'(;|$)/);
  expect(policy).not.toContain("'unsafe-eval'");
  expect(policy).toContain("object-src 'none'");
  expect(response.headers.get("x-content-type-options")).toBe("nosniff");
});

test("wrong uploads get a clear message and store nothing", async () => {
  test.skip(onServer, "about a data folder of one's own");
  await fetch(server.url).then((r) => r.text());
  const before = storedPhotos();
  const still = await sharp({ create: { width: 64, height: 64, channels: 3, background: "#888" } })
    .jpeg()
    .toBuffer();
  const wrong: readonly (readonly [Buffer, number, RegExp])[] = [
    [Buffer.alloc(0), 422, /empty/],
    [Buffer.from("not a picture"), 422, /not a photo/],
    [Buffer.from("<svg xmlns='http://www.w3.org/2000/svg'/>"), 422, /drawing or a web page/],
    [still.subarray(0, still.length - 200), 422, /cut off or damaged/],
  ];
  for (const [body, code, words] of wrong) {
    const response = await upload(body);
    expect(response.status).toBe(code);
    expect(((await response.json()) as { message: string }).message).toMatch(words);
  }
  expect((await upload(still, "%E0%A4%A")).status).toBe(400);
  expect(storedPhotos()).toEqual(before);
});

test("a photo of more than 10 MB arrives whole", async () => {
  const noise = Buffer.from(Uint8Array.from({ length: 2400 * 1600 * 3 }, (_, i) => (i * 2654435761) >>> 24));
  const large = await sharp(noise, { raw: { width: 2400, height: 1600, channels: 3 } })
    .png({ compressionLevel: 0 })
    .toBuffer();
  expect(large.length).toBeGreaterThan(11e6);
  const response = await upload(large, "large.png");
  expect(response.status).toBe(201);
});

test("a refused photo is explained on the desk and nothing else changes", async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole("application").waitFor({ timeout: 60_000 });
  const url = page.url();
  await page
    .getByLabel("Photo file")
    .setInputFiles({ name: "holiday.jpg", mimeType: "image/jpeg", buffer: Buffer.from("<html>hello</html>") });
  await expect(page.getByRole("alert").filter({ hasText: "not a photo" })).toBeVisible();
  await page.getByRole("button", { name: "All right" }).click();
  await expect(page.getByRole("button", { name: "Your photo" })).toBeEnabled();
  expect(page.url()).toBe(url);
});

test("what is no painting is not saved, and unknown addresses say so", async ({ page }) => {
  const put = (id: string, body: string): Promise<Response> =>
    fetch(`${server.url}/api/paintings/${id}`, { method: "PUT", body });
  const someId = "7d1c5c8e-1f57-4a55-9f53-0d9b5b7a1c11";
  const empty = newPainting("A", "cotton-rough");
  const stamp = { revision: 0, writer: someId, step: 1 };
  expect((await put(someId, "{")).status).toBe(400);
  expect((await put(someId, JSON.stringify({ ...stamp, document: { ...empty, title: "" } }))).status).toBe(400);
  expect((await put(someId, JSON.stringify({ ...stamp, document: empty }))).status).toBe(404);
  expect((await put("nonsense", "{}")).status).toBe(404);
  expect((await fetch(`${server.url}/api/photos/..%2f..%2fetc`)).status).toBe(404);
  expect((await fetch(`${server.url}/api/photos/${"0".repeat(64)}`)).status).toBe(404);
  await page.goto(`${server.url}/painting/${someId}`);
  await expect(page.getByRole("heading", { name: "Nothing lies here" })).toBeVisible();
  await judged(page, "nothing there");
  await staysInside(page);
});

test("a second Abendrot on the same data folder, and one on the same port, are refused with words", async () => {
  test.skip(onServer, "about a data folder of one's own");
  const second = launch(server.folder, await freePort());
  expect(await second.ended).toBe(3);
  expect(second.output()).toContain(`already running on the data folder "${server.folder}"`);
  const { mkdtempSync } = await import("node:fs");
  const { tmpdir } = await import("node:os");
  const third = launch(mkdtempSync(join(tmpdir(), "abendrot-e2e-")), Number(new URL(server.url).port));
  expect(await third.ended).toBe(1);
  expect(third.output()).toContain("is in use");
});

test("an approach is kept as a default only when it is one", async () => {
  const put = (body: unknown): Promise<Response> =>
    fetch(`${server.url}/api/approach`, {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
  for (const wrong of [null, {}, { size: "huge" }]) {
    const response = await put(wrong);
    expect(response.status).toBe(400);
    expect(((await response.json()) as { message: string }).message).toContain("could not be kept");
  }
});
