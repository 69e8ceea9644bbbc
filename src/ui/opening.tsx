import { QuietPage } from "./quiet-page";

/** Shown while the data folder is opened, so that the first start is never a blank page. */
export function Opening() {
  return (
    <QuietPage title="Laying out the desk">
      <p role="status">Opening the paintbox and the paintings. The very first time takes about ten seconds.</p>
      <progress className="progress progress-primary mt-6 w-full" aria-label="Opening" />
    </QuietPage>
  );
}
