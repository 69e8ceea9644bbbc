import Link from "next/link";
import { APP_NAME } from "./app-name";

/** The product's name; the only writing set on the afterglow's line. */
export function Wordmark() {
  return (
    <Link
      prefetch={false}
      href="/"
      className="name-face text-2xl leading-none font-medium tracking-tight italic"
      aria-label={`${APP_NAME}, to the last painting`}
    >
      {APP_NAME}
    </Link>
  );
}
