"use client";

import { Camera } from "lucide-react";
import { useRef, useState } from "react";
import { TEST_PLACES, testedColours } from "@/core/calibration";
import { describeColour, type Lab } from "@/core/colour";
import type { StoredPlan } from "@/model/plan";
import { refusalWords } from "@/model/reading-words";
import { decodeWorkingCopy } from "@/ui/decode-photo";
import { KeepInLogbook } from "@/ui/keep-in-logbook";
import { PHOTO_TYPES } from "@/ui/photo-types";
import { uploadSwatches } from "@/ui/upload";
import { cardWorker } from "@/workers/start";
import { useDesk } from "../desk-store";
import { useLogEntries } from "../keep";
import type { MixedColour } from "../mixed";
import { usePaper } from "../paints";

/** A painted test sheet as it was read from a photo of it. */
interface TestSheetRead {
  readonly photoId: string;
  /** By the mixes' order; null where nothing is painted. */
  readonly colours: readonly (Lab | null)[];
}

/** Colours of a painted test sheet, read from a photo of it; or why it can't be read, in words. */
async function coloursOn(file: File, paperId: string): Promise<TestSheetRead | string> {
  const sent = await uploadSwatches(file, () => {});
  if ("message" in sent) return sent.message;
  const worker = cardWorker();
  try {
    await worker.ask("open", sent.id, await decodeWorkingCopy(sent.id));
    const read = await worker.ask("read", sent.id, {
      paperId,
      kind: "box",
      rows: TEST_PLACES,
      moved: {},
      references: [],
    });
    return "refused" in read ? refusalWords(read.refused) : { photoId: sent.id, colours: testedColours(read) };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  } finally {
    worker.stop();
  }
}

/** Reads a photo of the painted test sheet into the list; the mixes stand on it in the list's order. */
export function ReadTests({ colours }: { colours: readonly MixedColour[] }) {
  const entryOf = useLogEntries();
  const [sheet, setSheet] = useState<TestSheetRead | null>(null);
  const tested = useDesk((s) => s.document.plan.tested);
  const changePlan = useDesk((s) => s.changePlan);
  const paper = usePaper();
  const input = useRef<HTMLInputElement>(null);
  const [says, setSays] = useState<{ readonly words: string; readonly fault: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const read = async (file: File): Promise<void> => {
    setBusy(true);
    const answer = await coloursOn(file, paper.id);
    setBusy(false);
    setSheet(null);
    if (typeof answer === "string") return setSays({ words: answer, fault: true });
    const found: StoredPlan["tested"] = colours.flatMap(({ id: colourId }, i) => {
      const lab = answer.colours[i];
      return lab ? [{ colourId, value: Math.round(10 * describeColour(lab).value) / 10 }] : [];
    });
    if (found.length === 0)
      return setSays({ words: "Nothing is painted on this sheet yet, or it is not this test sheet.", fault: true });
    changePlan({
      tested: [...tested.filter(({ colourId }) => !found.some((one) => one.colourId === colourId)), ...found],
    });
    setSheet(answer);
    setSays({ words: found.length === 1 ? "One swatch is read." : `${found.length} swatches are read.`, fault: false });
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3">
      <input
        ref={input}
        type="file"
        hidden
        accept={PHOTO_TYPES}
        aria-label="Photo of the test sheet"
        onChange={({ target }) => {
          const [file] = target.files ?? [];
          target.value = "";
          if (file) void read(file);
        }}
      />
      <button type="button" className="btn btn-outline btn-sm" disabled={busy} onClick={() => input.current?.click()}>
        <Camera size={15} aria-hidden /> {busy ? "Reading …" : "Read the painted sheet"}
      </button>
      {says && (
        <p role={says.fault ? "alert" : "status"} className={`leading-snug ${says.fault ? "text-error" : ""}`}>
          {says.words}
        </p>
      )}
      {sheet && (
        <KeepInLogbook
          key={sheet.photoId}
          words="Keep them in the logbook, to learn from"
          make={() =>
            entryOf(
              "test",
              "Test sheet",
              colours.flatMap((colour, i) => {
                const lab = sheet.colours[i];
                return lab ? [{ colour, read: { lab, photoId: sheet.photoId } }] : [];
              }),
              { photos: [sheet.photoId] },
            )
          }
        />
      )}
    </div>
  );
}
