"use client";

import type { ShelvedPainting } from "@/model/shelf";
import { counted } from "@/model/text";

/** The paintings that lie on the shelf, to be ticked. */
export function PaintingTicks({
  shelf,
  ticked,
  onChange,
}: {
  shelf: readonly ShelvedPainting[];
  ticked: readonly string[];
  onChange: (ticked: readonly string[]) => void;
}) {
  return (
    <ul aria-label="Paintings to pack for" className="max-h-[42vh] overflow-y-auto">
      {shelf.map(({ id, title, photoId, colours }) => {
        const on = ticked.includes(id);
        return (
          <li key={id} className="border-b border-(--hairline)">
            <label className="flex cursor-pointer items-center gap-3 py-2 hover:bg-base-200">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                aria-label={title}
                checked={on}
                disabled={colours === 0}
                onChange={() => onChange(on ? ticked.filter((one) => one !== id) : [...ticked, id])}
              />
              <img
                src={`/api/photos/${photoId}?copy=small`}
                alt=""
                loading="lazy"
                className="h-10 w-14 shrink-0 object-cover"
              />
              <span className="min-w-0 flex-1">
                <span className="name-face block truncate leading-tight">{title}</span>
                <span className="label-line">{colours === 0 ? "no area yet" : counted(colours, "colour")}</span>
              </span>
            </label>
          </li>
        );
      })}
    </ul>
  );
}
