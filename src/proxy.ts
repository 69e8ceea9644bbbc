import { NextResponse, type NextRequest } from "next/server";

const LOCAL_NAMES = new Set(["127.0.0.1", "localhost", "[::1]"]);

/** True for this machine's own names, with any port: a page elsewhere that points its name here is refused. */
function isLocal(host: string | null): boolean {
  if (!host) return false;
  return LOCAL_NAMES.has(host.replace(/:\d+$/, ""));
}

function isOwnOrigin(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

function policy(nonce: string): string {
  const development = process.env.NODE_ENV === "development";
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic' 'wasm-unsafe-eval'${development ? " 'unsafe-eval'" : ""}`,
    `style-src 'self' ${development ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    // Computed colours are set as style attributes; they can't run anything.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

/** Every request: refuses foreign Host and Origin, sets the content policy and the usual hardening headers. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get("host");
  const origin = request.headers.get("origin");
  if (!host || !isLocal(host) || (origin !== null && !isOwnOrigin(origin, host))) {
    return new NextResponse("Abendrot answers only to this machine's own pages.", { status: 403 });
  }
  const nonce = btoa(crypto.randomUUID());
  const headers = new Headers(request.headers);
  const csp = policy(nonce);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", csp);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", csp);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "no-referrer");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  response.headers.set("cross-origin-resource-policy", "same-origin");
  return response;
}
