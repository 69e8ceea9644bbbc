import type { Metadata } from "next";
import { z } from "zod";
import { Handbook } from "@/rooms/handbook/handbook";

const query = z.object({ pigment: z.string().max(60).optional().catch(undefined) });

export const metadata: Metadata = { title: "Handbook" };

/** All pigments of the handbook. */
export default async function HandbookPage({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { pigment } = query.parse(await searchParams);
  return <Handbook opened={pigment ?? null} />;
}
