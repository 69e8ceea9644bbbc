"use client";

import { FileDown, FileUp, FolderArchive } from "lucide-react";
import { useCallback, useRef, useState } from "react";
import { BACKUP_URL, COPIES_URL, WAITING_URL } from "@/model/addresses";
import {
  copiesAnswer,
  isNothing,
  type DatedCopy,
  type Holdings,
  type PhotoSpace,
  type WaitingFile,
} from "@/model/backup";
import { capital } from "@/model/text";
import { answerOf, askFor, jsonOf } from "@/ui/ask";
import { aheadWords, holdingsWords, reasonWords, sizeWords, spaceWords, whenWords } from "@/ui/copy-words";
import { ConfirmDialog } from "@/ui/confirm-dialog";
import { useDroppedFiles } from "@/ui/dropped-files";
import { RoomHeader } from "@/ui/room-header";
import { uploadBackup, type UploadRefused } from "@/ui/upload";
import { WaitingCard } from "./waiting-card";

type Bringing =
  | { readonly state: "idle" }
  | { readonly state: "busy"; readonly share: number }
  | { readonly state: "refused"; readonly message: string }
  | { readonly state: "waiting"; readonly file: WaitingFile }
  | { readonly state: "done"; readonly words: string };

interface KeepingProps {
  readonly holds: Holdings;
  readonly space: PhotoSpace;
  readonly copies: readonly DatedCopy[];
  /** Where the data lie, in words. */
  readonly where: string;
}

const DONE = "It is all back.";

/** Everything as one file and back, and the copies that are made by themselves. */
export function Keeping({ holds: held, space, copies: known, where }: KeepingProps) {
  const [{ holds, copies }, setKept] = useState({ holds: held, copies: known });
  const input = useRef<HTMLInputElement>(null);
  const confirm = useRef<HTMLDialogElement>(null);
  const [now] = useState(() => new Date());
  const [bringing, setBringing] = useState<Bringing>({ state: "idle" });
  const [chosen, setChosen] = useState<DatedCopy | null>(null);
  const busy = bringing.state === "busy";

  /** What was put back, and the copy made before it, are seen at once. */
  const lookAgain = useCallback(async (): Promise<void> => {
    const answer = await answerOf(COPIES_URL, { cache: "no-store" });
    const read = typeof answer === "string" ? null : copiesAnswer.safeParse(await answer.json()).data;
    if (read) setKept(read);
  }, []);
  const bring = useCallback(
    async (files: readonly File[]): Promise<void> => {
      setBringing({ state: "busy", share: 0 });
      const answer = await uploadBackup(files[0]!, (share) => setBringing({ state: "busy", share }));
      setBringing(
        "message" in (answer as UploadRefused)
          ? { state: "refused", message: (answer as UploadRefused).message }
          : "waiting" in answer
            ? { state: "waiting", file: answer.waiting }
            : { state: "done", words: DONE },
      );
      await lookAgain();
    },
    [lookAgain],
  );
  const bringDropped = useCallback((files: readonly File[]): void => void bring(files), [bring]);
  const over = useDroppedFiles(bringDropped);

  const decide = async (ask: () => Promise<string | null>, words: string | null): Promise<void> => {
    setBringing({ state: "busy", share: 1 });
    const wrong = await ask();
    setBringing(
      wrong !== null
        ? { state: "refused", message: wrong }
        : words === null
          ? { state: "idle" }
          : { state: "done", words },
    );
    await lookAgain();
  };

  return (
    <div className="min-h-dvh">
      <RoomHeader room="Safe keeping" />
      <main className="mx-auto max-w-5xl px-6 py-6" aria-busy={busy}>
        <div className="grid gap-10 md:grid-cols-2">
          <section aria-label="Save everything">
            <h2 className="name-face text-2xl">Everything in one file</h2>
            <p className="mt-2 leading-snug">
              Paintings, paintbox, measurements, logbook, settings, and every photo as it came. Put it on another disk:
              what burns or is stolen takes a copy in the same room with it.
            </p>
            <p className="quiet mt-2">
              {isNothing(holds) ? "So far only the demo lies here." : `Your own here: ${holdingsWords(holds)}.`}{" "}
              {spaceWords(space)}
            </p>
            <a className="btn btn-primary mt-4" href={BACKUP_URL} download>
              <FileDown size={16} aria-hidden /> Save everything
            </a>
            <p className="quiet mt-3 leading-snug">
              Or, while Abendrot runs, in a terminal: <code>npm run backup</code>
            </p>
          </section>
          <section aria-label="Bring it back">
            <h2 className="name-face text-2xl">Bring it back</h2>
            <p className="mt-2 leading-snug">
              On a new computer, or after an accident. The file is read to its end first; before anything of yours is
              replaced you are told what, and a copy of it is made.
            </p>
            <input
              ref={input}
              type="file"
              hidden
              accept=".zip,application/zip"
              aria-label="A backup"
              onChange={({ target }) => {
                const files = [...(target.files ?? [])];
                target.value = "";
                if (files.length > 0) void bring(files);
              }}
            />
            <button
              type="button"
              className="btn btn-outline mt-4"
              disabled={busy}
              onClick={() => input.current?.click()}
              title="Choose a backup, or drop one anywhere on the page"
            >
              <FileUp size={16} aria-hidden />
              {!busy
                ? "Choose a backup"
                : bringing.share < 1
                  ? `Reading, ${Math.round(100 * bringing.share)} %`
                  : "Working …"}
            </button>
            {busy && (
              <progress
                className="progress mt-3 block w-64"
                aria-label="Reading the backup"
                {...(bringing.share < 1 ? { value: bringing.share, max: 1 } : {})}
              />
            )}
            {bringing.state === "refused" && (
              <p role="alert" className="mt-3 leading-snug text-error">
                {bringing.message}
              </p>
            )}
            {bringing.state === "done" && (
              <p role="status" className="mt-3 leading-snug">
                {bringing.words} {/* Everything is read anew. */}
                <a className="link" href="/paintings">
                  To the paintings
                </a>
              </p>
            )}
            {bringing.state === "waiting" && (
              <WaitingCard
                file={bringing.file}
                now={now}
                onTake={() =>
                  void decide(
                    () => askFor(WAITING_URL, jsonOf("POST", { token: bringing.file.token })),
                    `${DONE} What was here before lies among the copies below.`,
                  )
                }
                onDrop={() =>
                  void decide(
                    () => askFor(WAITING_URL, { ...jsonOf("POST", { token: bringing.file.token }), method: "DELETE" }),
                    null,
                  )
                }
              />
            )}
          </section>
        </div>
        <section aria-label="Copies" className="mt-10 border-t border-(--hairline) pt-5">
          <h2 className="name-face text-2xl">Copies that make themselves</h2>
          <p className="mt-2 max-w-3xl leading-snug">
            Of all records, once a day when something changed and before anything replaces them; the last ten are kept.
            Photos are not in them: they never change, and stay as long as a copy needs them.
          </p>
          <p className="quiet mt-1">{where}</p>
          {copies.length === 0 ? (
            <p className="quiet mt-3">None yet: the first is made within the hour.</p>
          ) : (
            <ul className="mt-3 max-w-3xl">
              {copies.map((copy) => (
                <li key={copy.name} className="flex items-center gap-4 border-b border-(--hairline) py-2">
                  <FolderArchive size={16} aria-hidden className="shrink-0" />
                  <span className="min-w-0 flex-1 leading-snug">
                    <span className="font-semibold">{capital(whenWords(copy.madeAt, now))}</span>
                    <span className="quiet">
                      {" "}
                      · {[reasonWords(copy), sizeWords(copy.bytes), aheadWords(copy, now)].filter(Boolean).join(" · ")}
                    </span>
                  </span>
                  <button
                    type="button"
                    className="btn btn-outline btn-sm"
                    aria-label={`Put back the copy of ${whenWords(copy.madeAt, now)}`}
                    disabled={busy}
                    onClick={() => {
                      setChosen(copy);
                      confirm.current?.showModal();
                    }}
                  >
                    Put back …
                  </button>
                </li>
              ))}
            </ul>
          )}
        </section>
        <ConfirmDialog
          dialog={confirm}
          label="Put a copy back"
          question={`Put back what stood here ${chosen ? whenWords(chosen.madeAt, now) : ""}?`}
          no="Leave it"
          yes="Put it back"
          onYes={() => chosen && void decide(() => askFor(COPIES_URL, jsonOf("POST", { name: chosen.name })), DONE)}
        >
          It takes the place of everything here now: {holdingsWords(holds)}. A copy of that is made first, so you can
          come back to it.
        </ConfirmDialog>
        {over && (
          <div className="pointer-events-none fixed inset-3 z-50 grid place-items-center rounded-box border-2 border-dashed border-primary bg-base-100/80">
            <p className="name-face text-3xl">Let go: the backup is read</p>
          </div>
        )}
      </main>
    </div>
  );
}
