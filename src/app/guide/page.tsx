import type { Metadata } from "next";
import { Guide } from "@/rooms/guide/guide";

export const metadata: Metadata = { title: "Guide" };

/** The guide: from photo to first wash. */
export default function GuidePage() {
  return <Guide />;
}
