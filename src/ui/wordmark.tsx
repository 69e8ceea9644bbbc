import Link from "next/link";

/** The product's name; the only writing set on the afterglow's line. */
export function Wordmark() {
  return (
    <Link
      prefetch={false}
      href="/"
      className="name-face text-2xl leading-none font-medium tracking-tight italic"
      aria-label="Abendrot, to the last painting"
    >
      Abendrot
    </Link>
  );
}
