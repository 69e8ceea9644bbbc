"use client";

import { TabletSmartphone } from "lucide-react";
import { useRef, useState } from "react";
import { SHARE_URL, shareAnswer, type ShareAnswer } from "@/model/beside";
import { counted, listed } from "@/model/text";
import { answerOf, askFor, jsonOf } from "@/ui/ask";
import { CloseButton, ModalBackdrop } from "@/ui/close-button";

/** How often the window looks whether a device was paired, ms. */
const LOOK_MS = 2000;

/** How a tablet comes to see the plan: address, code, and a square to be photographed. */
export function SecondScreen() {
  const dialog = useRef<HTMLDialogElement>(null);
  const timer = useRef<ReturnType<typeof setInterval> | undefined>(undefined);
  const [share, setShare] = useState<ShareAnswer | string | null>(null);
  const look = async (): Promise<void> => {
    const answer = await answerOf(SHARE_URL, { cache: "no-store" });
    setShare(
      typeof answer === "string" ? answer : (shareAnswer.safeParse(await answer.json()).data ?? "It can't be read."),
    );
  };
  const open = (): void => {
    void look();
    clearInterval(timer.current);
    timer.current = setInterval(() => void look(), LOOK_MS);
    dialog.current?.showModal();
  };
  const end = async (): Promise<void> => {
    const wrong = await askFor(SHARE_URL, jsonOf("POST", { end: true }));
    if (wrong === null) await look();
    else setShare(wrong);
  };
  return (
    <>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label="Second screen"
        title="Show the plan on a tablet beside the easel"
        onClick={open}
      >
        <TabletSmartphone size={16} aria-hidden />
      </button>
      <dialog ref={dialog} className="modal" aria-label="Second screen" onClose={() => clearInterval(timer.current)}>
        <div className="modal-box max-w-2xl">
          <div className="mb-3 flex items-center">
            <h2 className="name-face text-2xl">A tablet beside the easel</h2>
            <CloseButton className="ml-auto" onClose={() => dialog.current?.close()} />
          </div>
          {typeof share === "string" && <p role="alert">{share}</p>}
          {share !== null && typeof share !== "string" && (
            <div className="grid grid-cols-[auto_1fr] gap-6 max-sm:grid-cols-1">
              <img
                src={`data:image/svg+xml;utf8,${encodeURIComponent(share.square)}`}
                alt="Square code with the address and the code"
                className="size-56 bg-white"
              />
              <div className="space-y-3 leading-snug">
                <p>Photograph the square with the tablet, or open this address on it and type the code.</p>
                <p className="text-[1.1rem] break-all">{listed(share.addresses)}</p>
                <p>
                  Code <strong className="ml-2 text-[2rem] tracking-widest">{share.code}</strong>
                </p>
                <p className="quiet">
                  The code pairs one device. It sees this painting&apos;s plan and puddles, ticks off washes and takes
                  photos for the logbook, and nothing else. Whoever listens in this network could read along: the way to
                  the tablet is not sealed.
                </p>
                <p role="status">
                  {share.devices.length === 0
                    ? "No device is paired."
                    : `${counted(share.devices.length, "device")} paired: ${listed(share.devices.map(({ name }) => name))}.`}
                </p>
                {share.devices.length > 0 && (
                  <button type="button" className="btn btn-outline btn-sm" onClick={() => void end()}>
                    End it for all
                  </button>
                )}
              </div>
            </div>
          )}
        </div>
        <ModalBackdrop />
      </dialog>
    </>
  );
}
