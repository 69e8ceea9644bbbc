"use client";

import { LayoutGrid, SunMoon, Trash2 } from "lucide-react";
import Link from "next/link";
import { useEffect, useState, type ReactNode } from "react";
import type { PaintingTitle } from "@/storage/ports";
import { APP_NAME } from "@/ui/app-name";
import { chooseTheme, shownTheme } from "@/ui/theme";
import { changePainting } from "@/ui/shelf";
import { paintingPage } from "@/model/addresses";
import { faultIn } from "@/model/fault";
import { paintingDocument } from "@/model/painting";
import { SaveWords } from "@/ui/saving/save-words";
import type { SaveState } from "@/ui/saving/autosave-queue";
import { Help } from "@/ui/help/help";
import { Menu } from "@/ui/menu";
import { RoomWays } from "@/ui/room-ways";
import { ROOMS } from "@/ui/rooms";
import { TypedText } from "@/ui/typed-text";
import { UndoButtons } from "@/ui/undo";
import { Wordmark } from "@/ui/wordmark";
import { useDesk, useDeskStore } from "./desk-store";
import { NewPainting } from "./new-painting";
import { SecondScreen } from "./beside/second-screen";
import { STEP_WORDS } from "./step-bar";

function Title() {
  const title = useDesk((s) => s.document.title);
  const { setTitle, endTyping } = useDeskStore().getState();
  const step = useDesk((s) => s.step);
  useEffect(() => {
    const name = (): void => {
      document.title = `${title} · ${STEP_WORDS[step].name} · ${APP_NAME}`;
    };
    name();
    // The page itself says no title, so it has the program's name (src/app/layout.tsx); that can be put into the head
    // after the desk has been laid out.
    const watch = new MutationObserver(() => document.title === APP_NAME && name());
    watch.observe(document.head, { childList: true, subtree: true, characterData: true });
    return () => watch.disconnect();
  }, [title, step]);
  return (
    <TypedText
      bare
      label="Title of the painting"
      value={title}
      faultOf={(text) => faultIn(paintingDocument.shape.title, text)}
      onText={(text) => setTitle(text.trim())}
      onLeave={endTyping}
      className="w-full max-w-[26rem] min-w-0"
      inputClassName="name-face h-[32px] w-full min-w-0 rounded-field border border-transparent bg-transparent px-2 text-lg hover:border-(--hairline)"
    />
  );
}

/**
 * The way to a painting. The one that lies here is loaded anew: to the router nothing but the address would change, and
 * the desk would stay as it is.
 */
function PaintingLink({
  id,
  here,
  className,
  children,
}: {
  id: string;
  here: boolean;
  className: string;
  children: ReactNode;
}) {
  const href = paintingPage(id);
  return here ? (
    <a href={href} aria-current="page" className={className}>
      {children}
    </a>
  ) : (
    <Link prefetch={false} href={href} className={className}>
      {children}
    </Link>
  );
}

function PaintingsMenu({ id, titles }: { id: string; titles: readonly PaintingTitle[] }) {
  const title = useDesk((s) => s.document.title);
  const [fault, setFault] = useState<string | null>(null);
  const bin = async (): Promise<void> => {
    const wrong = await changePainting(id, { binned: true });
    setFault(wrong);
    if (wrong === null) window.location.assign("/");
  };
  return (
    <Menu label="Paintings" wide>
      {() => (
        <>
          {titles.map((painting) => (
            <li key={painting.id}>
              <PaintingLink
                id={painting.id}
                here={painting.id === id}
                className={`name-face text-[1.05rem] ${painting.id === id ? "font-semibold" : ""}`}
              >
                <img
                  src={`/api/photos/${painting.photoId}?copy=small`}
                  alt=""
                  loading="lazy"
                  className="h-9 w-14 object-cover"
                />
                <span className="truncate">{painting.id === id ? title : painting.title}</span>
              </PaintingLink>
            </li>
          ))}
          <li className="mt-1 border-t border-(--hairline) pt-1">
            <Link prefetch={false} href="/paintings">
              <LayoutGrid size={14} /> All paintings and the bin
            </Link>
          </li>
          <li>
            <button type="button" onClick={() => void bin()}>
              <Trash2 size={14} /> Put this painting in the bin
            </button>
          </li>
          {fault !== null && (
            <li role="alert" className="p-2 text-error">
              {fault}
            </li>
          )}
        </>
      )}
    </Menu>
  );
}

/** Paintings have a menu of their own. */
const WAYS = ROOMS.filter(({ name }) => name !== "Desk" && name !== "Paintings");

/** The desk's head: which painting, how it is saved, undo and redo, other paintings, light or dusk. */
export function Header({
  id,
  titles,
  save,
  shared,
}: {
  id: string;
  titles: readonly PaintingTitle[];
  save: SaveState;
  shared: boolean;
}) {
  const { temporal } = useDeskStore();
  const refused = useDesk((s) => s.refused);
  return (
    <header className="relative z-30 bg-base-100">
      <div className="flex h-13 items-center gap-4 px-5 portrait:h-auto portrait:flex-wrap portrait:gap-y-0 portrait:py-1.5 small:h-auto small:flex-wrap small:gap-y-0 small:px-3 small:py-1.5">
        <Wordmark />
        <Title />
        <div className="ml-auto flex shrink-0 items-center gap-1 small:shrink small:flex-wrap">
          <SaveWords state={save} refused={refused} />
          <UndoButtons history={temporal} />
          <RoomWays rooms={WAYS} className="max-xl:px-2" />
          <PaintingsMenu id={id} titles={titles} />
          <NewPainting />
          {shared && <SecondScreen />}
          <Help />
          <button
            type="button"
            className="btn btn-square btn-ghost btn-sm"
            aria-label="Daylight or dusk"
            title="Daylight or dusk"
            onClick={() => chooseTheme(shownTheme() === "dusk" ? "daylight" : "dusk")}
          >
            <SunMoon size={16} />
          </button>
        </div>
      </div>
      <div aria-hidden className="h-[3px]" style={{ background: "var(--afterglow)" }} />
    </header>
  );
}
