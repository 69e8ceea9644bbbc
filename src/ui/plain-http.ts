/** Version 4 and variant bits of a UUID (RFC 9562, section 5.4). */
function uuid4(): `${string}-${string}-${string}-${string}-${string}` {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

/**
 * Browsers hand `crypto.randomUUID` to pages of this machine or over TLS alone (Web Cryptography, secure contexts): a
 * tablet in the room has neither, and gets one made of what it does have.
 */
export function allowPlainHttp(): void {
  if (typeof crypto !== "undefined" && !("randomUUID" in crypto)) Object.assign(crypto, { randomUUID: uuid4 });
}
