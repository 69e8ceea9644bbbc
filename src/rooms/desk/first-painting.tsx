import Link from "next/link";
import { QuietPage } from "@/ui/quiet-page";
import { NewPainting } from "./new-painting";

/** Shown when there is no painting left. */
export function FirstPainting() {
  return (
    <QuietPage title="The desk is clear">
      <p className="mb-6">
        Bring a photo of what you want to paint. JPEG, HEIC, PNG, TIFF, WebP or AVIF; it stays on this machine. Or drop
        a backup here to have everything back.
      </p>
      <div className="flex flex-wrap gap-3">
        <NewPainting className="btn btn-primary" words="Bring a photo" clear />
        <Link className="btn btn-outline" href="/paintings">
          Paintings and bin
        </Link>
      </div>
    </QuietPage>
  );
}
