import Link from "next/link";
import { QuietPage } from "@/ui/quiet-page";

export default function NotFound() {
  return (
    <QuietPage title="Nothing lies here">
      <p>The painting may have been removed, or the address is mistyped.</p>
      <Link className="btn btn-primary mt-6" href="/">
        Back to the desk
      </Link>
    </QuietPage>
  );
}
