const LOCAL_NAMES = new Set(["127.0.0.1", "localhost", "[::1]"]);

/** Names that this machine may be called by from elsewhere (ABENDROT_HOSTS, with commas between them). */
const namesTold = (): string[] =>
  (process.env.ABENDROT_HOSTS ?? "").split(",").map((name) => name.trim().toLowerCase());

/** True for names that this machine is known by, with any port; a page that points another name here is refused. */
function isLocal(host: string | null): host is string {
  const name = host?.replace(/:\d+$/, "").toLowerCase();
  return name !== undefined && name !== "" && (LOCAL_NAMES.has(name) || namesTold().includes(name));
}

function isOwnOrigin(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** Where a browser says that a request comes from (Fetch Metadata): another page of ours, or the painter's own hand. */
const OWN_SITES = new Set([null, "same-origin", "none"]);

/**
 * Whether a request comes from one of this machine's own pages, by its Host, Origin and
 * Sec-Fetch-Site. A link from elsewhere may still open a page: that only reads.
 */
export function isSameOrigin(headers: Headers, method: string): boolean {
  const host = headers.get("host");
  const origin = headers.get("origin");
  const opensPage = method === "GET" && headers.get("sec-fetch-mode") === "navigate";
  return (
    isLocal(host) &&
    (origin === null || isOwnOrigin(origin, host)) &&
    (opensPage || OWN_SITES.has(headers.get("sec-fetch-site")))
  );
}

export const NOT_SAME_ORIGIN = "Abendrot answers only to this machine's own pages.";
