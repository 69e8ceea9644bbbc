/**
 * What all bundles of the server share: routes, pages and instrumentation each load modules of their own, so what must
 * be there once in a process lies on globalThis.
 * @param name its name there
 * @param make makes it for whoever asks first
 */
export function acrossBundles<T extends object>(name: string, make: () => T): T {
  const shared = globalThis as unknown as Record<string, T | undefined>;
  return (shared[`abendrot ${name}`] ??= make());
}
