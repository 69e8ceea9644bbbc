import Link from "next/link";
import { QuietPage } from "@/ui/quiet-page";

/** In place of the desk, for a painting that was put in the bin. */
export function InTheBin({ title }: { title: string }) {
  return (
    <QuietPage title={`“${title}” is in the bin`}>
      <p>Take it out there, and it opens as it was.</p>
      <Link className="btn btn-primary mt-6" href="/paintings">
        To the paintings and the bin
      </Link>
    </QuietPage>
  );
}
