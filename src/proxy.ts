import { NextResponse, type NextRequest } from "next/server";
import { isSameOrigin, NOT_SAME_ORIGIN } from "@/server/http/same-origin";

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

/**
 * A photo, a logbook, a backup or a painting's file on its way in is let past: here its body would be held in memory
 * and cut at 10 MB. Its own door checks where it comes from.
 */
export const config = {
  matcher: "/((?!api/photos$|api/swatch-photos$|api/logbook/file$|api/backup$|api/paintings/file$).*)",
};

/** Every other request: refuses foreign Host and Origin, sets the content policy and the usual hardening headers. */
export function proxy(request: NextRequest): NextResponse {
  if (!isSameOrigin(request.headers, request.method)) return new NextResponse(NOT_SAME_ORIGIN, { status: 403 });
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
