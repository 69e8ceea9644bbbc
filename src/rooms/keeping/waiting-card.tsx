"use client";

import type { WaitingFile } from "@/model/backup";
import { counted } from "@/model/text";
import { holdingsWords, whenWords } from "@/ui/copy-words";

/** What a file holds and what it would take the place of, before anything happens. */
export function WaitingCard({
  file: { madeAt, holds, replaces, lost, older },
  now,
  onTake,
  onDrop,
}: {
  file: WaitingFile;
  now: Date;
  onTake: () => void;
  onDrop: () => void;
}) {
  return (
    <section
      role="alert"
      aria-label="What would be replaced"
      className="mt-4 rounded-box border border-(--hairline) bg-base-200 p-4"
    >
      <dl className="grid grid-cols-[6rem_1fr] gap-x-3 gap-y-2 leading-snug">
        <dt className="quiet">In the file</dt>
        <dd>
          {holdingsWords(holds)}, as of {whenWords(madeAt, now)}
          {older > 0 && "; made by an older Abendrot, brought up to date"}
          {lost > 0 && `; without ${counted(lost, "photo")} that could not be read when it was made`}
        </dd>
        <dt className="quiet">Here now</dt>
        <dd>{holdingsWords(replaces)}</dd>
      </dl>
      <p className="mt-3 leading-snug">
        Putting it back replaces everything here. A copy of what is here is made first.
      </p>
      <div className="mt-3 flex flex-wrap gap-2">
        <button type="button" className="btn btn-primary btn-sm" onClick={onTake}>
          Replace what is here
        </button>
        <button type="button" className="btn btn-sm" onClick={onDrop}>
          Leave things as they are
        </button>
      </div>
    </section>
  );
}
