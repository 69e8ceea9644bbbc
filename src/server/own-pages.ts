const LOCAL_NAMES = new Set(["127.0.0.1", "localhost", "[::1]"]);

/** True for this machine's own names, with any port: a page elsewhere that points its name here is refused. */
function isLocal(host: string | null): host is string {
  return host !== null && LOCAL_NAMES.has(host.replace(/:\d+$/, ""));
}

function isOwnOrigin(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/** Whether a request comes from one of this machine's own pages, by its Host and Origin. */
export function fromOwnPages(headers: Headers): boolean {
  const host = headers.get("host");
  const origin = headers.get("origin");
  return isLocal(host) && (origin === null || isOwnOrigin(origin, host));
}

export const NOT_OWN = "Abendrot answers only to this machine's own pages.";
