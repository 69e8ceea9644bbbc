import { describe, expect, test } from "vitest";
import { isSameOrigin } from "./same-origin";

const asked = (headers: Record<string, string>, method = "GET"): boolean => isSameOrigin(new Headers(headers), method);
const HOST = "127.0.0.1:3000";

describe("a request is this machine's own", () => {
  test.each([
    ["by the number", { host: HOST }],
    ["by the name", { host: "localhost:80" }],
    ["by the IPv6 number", { host: "[::1]:3000" }],
    ["from a page of the same host and port", { host: HOST, origin: `http://${HOST}` }],
    ["as the browser says so", { host: HOST, "sec-fetch-site": "same-origin" }],
    ["when it is asked by hand", { host: HOST, "sec-fetch-site": "none" }],
  ])("%s", (_words, headers) => expect(asked(headers as Record<string, string>, "PUT")).toBe(true));

  test.each([
    ["no host", {}],
    ["a name that only points here", { host: "abendrot.example:3000" }],
    ["a name that begins or ends like ours", { host: "127.0.0.1.example" }],
    ["a name with ours before a user's sign", { host: "localhost@evil.example" }],
    ["a foreign origin", { host: HOST, origin: "http://evil.example" }],
    ["the same machine at another port", { host: HOST, origin: "http://127.0.0.1:4000" }],
    ["an origin that is hidden, or none at all", { host: HOST, origin: "null" }],
    ["another site, as the browser says", { host: HOST, "sec-fetch-site": "cross-site" }],
    ["another port, as the browser says", { host: HOST, "sec-fetch-site": "same-site" }],
  ])("not with %s", (_words, headers) => expect(asked(headers as Record<string, string>, "PUT")).toBe(false));

  test("names that were told are answered to, and no others", () => {
    process.env.ABENDROT_HOSTS = "studio.example, Tablet.example";
    expect(asked({ host: "studio.example" })).toBe(true);
    expect(asked({ host: "tablet.example:3000", origin: "http://tablet.example:3000" }, "PUT")).toBe(true);
    expect(asked({ host: "tablet.example", origin: "http://studio.example" }, "PUT")).toBe(false);
    expect(asked({ host: "other.example" })).toBe(false);
    process.env.ABENDROT_HOSTS = "";
    expect(asked({ host: "studio.example" })).toBe(false);
    expect(asked({ host: "" })).toBe(false);
  });

  test("a link from elsewhere may open a page, and do nothing else", () => {
    const link = { host: HOST, "sec-fetch-site": "cross-site", "sec-fetch-mode": "navigate" };
    expect(asked(link)).toBe(true);
    expect(asked(link, "POST")).toBe(false);
    expect(asked({ ...link, "sec-fetch-mode": "no-cors" })).toBe(false);
    expect(asked({ ...link, origin: "http://evil.example" })).toBe(false);
  });
});
