/** Runs once when the server starts: takes the data folder or refuses, and opens the database behind the first page. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs" || process.env.NEXT_PHASE === "phase-production-build") return;
  const { startHouse } = await import("@/server/context/start-house");
  await startHouse();
}
