import type { Store } from "@/storage/ports";

/**
 * Lays out the demo in an empty store (seed.ts). What it needs, all of the engine, is loaded only then: every request
 * is answered from a store, hardly any lays out a demo.
 */
export async function layOutDemo(store: Store): Promise<void> {
  const { seedDemo } = await import("./seed");
  await seedDemo(store);
}
