import { PAPERS } from "@/core/optics";

/** The papers, as the options of a choice. */
export function PaperOptions() {
  return PAPERS.map(({ id, name }) => (
    <option key={id} value={id}>
      {name}
    </option>
  ));
}
