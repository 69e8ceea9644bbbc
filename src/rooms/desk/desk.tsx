"use client";

import { useFocusFollows } from "@/ui/focus-follows";
import { useFollowedLessons } from "@/ui/followed-lessons";
import { Opening } from "@/ui/opening";
import { unpacked } from "@/ui/unpacked";
import { useContext, useEffect, useMemo, useRef, type ReactNode } from "react";
import { useStore } from "zustand";
import type { StockedPaint, PaintingTitle, StoredPainting } from "@/storage/ports";
import { isForField, useUndoKeys } from "@/ui/undo";
import type { LearnedBook } from "@/model/logbook";
import { mergePaintings } from "@/model/merge";
import type { PaintingDocument } from "@/model/painting";
import { useAutosave } from "@/ui/saving/autosave";
import { paintingUrl } from "@/model/addresses";
import { LiveConflict } from "@/ui/saving/live-conflict";
import { useDeskAtAddress } from "./address";
import { useAreaEdits } from "./area-edits";
import { DeskProvider, useDesk, useSelectedArea, type DeskStore } from "./desk-store";
import { Easel } from "./easel/easel";
import { EditsProvider } from "./edits-context";
import { CheckStep } from "./check-step/check-step";
import { Header } from "./header";
import {
  AtHandProvider,
  BoxesProvider,
  LearnedProvider,
  PaintsProvider,
  useKnownPaints,
  type KnownBox,
} from "./paints";
import { AreaSheet } from "./areas-step/area-sheet";
import { AreasStep } from "./areas-step/areas-step";
import { AreaDetail } from "./panel/area-detail";
import { MixesStep } from "./panel/mixes-step";
import { SampleCard } from "./panel/sample-card";
import { ApplyingProvider } from "./palette-step/apply-palette";
import { WeighingProvider } from "./palette-step/weighing";
import { MatchProvider } from "./matcher";
import { NextThing } from "./next-thing";
import { OpenPaintingProvider } from "./open-painting";
import { PaletteStep } from "./palette-step/palette-step";
import { PlanStep } from "./plan-step/plan-step";
import { PlanContext, useComputedPlan } from "./plan-step/use-plan";
import { PhotoStep } from "./photo-step/photo-step";
import {
  MeasuredProvider,
  PhotoProvider,
  useAreaMap,
  useLook,
  useMeasured,
  useMeasuring,
  useOpenedPhoto,
  type OpenPhoto,
} from "./photo-study";
import { PhotoPane } from "./photo/photo-pane";
import { ReachProvider } from "./reach";
import { StepBar } from "./step-bar";
import { BoxRangeProvider, TargetsProvider, useComputedTargets, useComputedWanted, WantedProvider } from "./targets";
import { Tray } from "./tray/tray";
import { WellDragging } from "./tray/well-dragging";

interface DeskProps {
  readonly painting: StoredPainting;
  readonly paints: readonly StockedPaint[];
  readonly boxes: readonly KnownBox[];
  readonly titles: readonly PaintingTitle[];
  readonly learned: LearnedBook | null;
  /** What was written into the logbook last is still being learned. */
  readonly following: boolean;
  /** Abendrot was started for a second screen. */
  readonly shared: boolean;
}

function Panel() {
  const area = useSelectedArea();
  const taken = useDesk((s) => s.taken);
  const step = useDesk((s) => s.step);
  const colourId = useDesk((s) => s.colourId);
  if (taken) return <SampleCard key={JSON.stringify(taken.sample)} taken={taken} />;
  if (step === "photo") return <PhotoStep />;
  if (step === "areas") return area ? <AreaSheet key={area.id} area={area} /> : <AreasStep />;
  if (step === "palette") return <PaletteStep />;
  if (step === "check") return <CheckStep area={area} />;
  if (step === "plan") return <PlanStep />;
  return area ? <AreaDetail key={`${area.id} ${colourId}`} area={area} /> : <MixesStep />;
}

const PANEL = "present-step";

/** Ways by keys past the head and the ways of seeing. */
function WaysPast() {
  const past =
    "btn btn-sm sr-only focus:not-sr-only focus:absolute focus:top-2 focus:left-2 focus:z-50 focus:bg-base-100";
  const to = (selector: string) => (): void => document.querySelector<HTMLElement>(selector)?.focus();
  return (
    <>
      <button type="button" className={past} onClick={to(`#${PANEL}`)}>
        To the step
      </button>
      <button type="button" className={past} onClick={to("[role=application]")}>
        To the photo
      </button>
    </>
  );
}

/** What scrolls of the present step; by keys the focus goes to the area that is opened in it. */
function PanelFrame() {
  const panel = useRef<HTMLDivElement>(null);
  useFocusFollows(
    panel,
    useDesk((s) => s.selectedId),
  );
  return (
    <div ref={panel} id={PANEL} data-panel tabIndex={-1} className="room-side flex-1 overflow-x-hidden outline-none">
      <Panel />
    </div>
  );
}

/** The view to paint by, while it is asked for and something is planned. */
function Painting() {
  const asked = useDesk((s) => s.easel);
  const measured = useMeasured();
  const known = useContext(PlanContext);
  return asked && measured && known && known.plan.washes.length > 0 ? <Easel /> : null;
}

/** Escape goes back to all areas. */
function useEscape(): void {
  const select = useDesk((s) => s.select);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (event.key === "Escape" && !isForField(event)) select(null);
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [select]);
}

/** The plan, worked out from the targets above it. */
function Planned({ children }: { children: ReactNode }) {
  return <PlanContext value={useComputedPlan()}>{children}</PlanContext>;
}

/** The colours of all washes, by the areas measured above. */
function Wanted({ children }: { children: ReactNode }) {
  return <WantedProvider value={useComputedWanted()}>{children}</WantedProvider>;
}

/** What every part of the desk reads: the photo, the areas' measures and their target colours. */
export function Studied({ photo, children }: { photo: OpenPhoto; children: ReactNode }) {
  const edits = useAreaEdits();
  const measured = useMeasuring(photo, useAreaMap(), useLook());
  return (
    <EditsProvider value={edits}>
      <MeasuredProvider value={measured}>
        <TargetsProvider value={useComputedTargets()}>
          <Wanted>
            <Planned>
              <MatchProvider>
                <ReachProvider>
                  <WeighingProvider>
                    <ApplyingProvider>
                      <WellDragging>{children}</WellDragging>
                    </ApplyingProvider>
                  </WeighingProvider>
                </ReachProvider>
              </MatchProvider>
            </Planned>
          </Wanted>
        </TargetsProvider>
      </MeasuredProvider>
    </EditsProvider>
  );
}

const titleOf = ({ title }: PaintingDocument): string => title;

function OpenDesk({
  painting,
  titles,
  store,
  shared,
}: Omit<DeskProps, "paints" | "boxes" | "learned" | "following"> & { store: DeskStore }) {
  const saving = useAutosave<PaintingDocument>({
    url: paintingUrl(painting.id),
    revision: painting.revision,
    store,
    merge: mergePaintings,
    title: titleOf,
    photoId: painting.photo.id,
  });
  const photo = useOpenedPhoto(painting.photo);
  useUndoKeys(store.temporal);
  useEscape();
  const saved = saving.state.state === "saved";
  const open = useMemo(() => ({ id: painting.id, saved }), [painting.id, saved]);
  return (
    <PhotoProvider value={photo}>
      <OpenPaintingProvider value={open}>
        <Studied photo={photo}>
          <p className="hidden p-8 text-lg print:block">
            The desk is for a screen. What is meant for paper is “Plan as PDF”: in the step Plan, under “To take along”.
          </p>
          <div
            data-desk
            className="room-frame grid-rows-[auto_minmax(0,1fr)_auto] overflow-hidden small:overflow-visible"
          >
            <WaysPast />
            <Header id={painting.id} titles={titles} save={saving.state} shared={shared} />
            <LiveConflict
              saving={saving}
              painting={{ photoId: painting.photo.id, copyOf: () => store.getState().document }}
            />
            <main className="room-sides grid-cols-[minmax(0,1fr)_430px] grid-rows-[minmax(0,1fr)] portrait:grid-cols-[minmax(0,1fr)] portrait:grid-rows-[minmax(0,9fr)_minmax(0,11fr)]">
              <h1 className="sr-only">{painting.document.title}</h1>
              <PhotoPane />
              <aside
                aria-label="Present step"
                className="flex min-h-0 flex-col border-l border-(--hairline) bg-base-100 portrait:border-t portrait:border-l-0 small:border-t small:border-l-0"
              >
                <StepBar />
                <PanelFrame />
                <NextThing />
              </aside>
            </main>
            <Tray />
            <Painting />
          </div>
        </Studied>
      </OpenPaintingProvider>
    </PhotoProvider>
  );
}

/** The desk: photo left, present step right, tray along the bottom. */
function Desk({ painting, boxes, titles, shared, following, ...lessons }: DeskProps) {
  const { paints, learned } = useFollowedLessons(lessons, following);
  const store = useDeskAtAddress(painting.document);
  return (
    <OnDesk store={store} paints={paints} boxes={boxes} learned={learned}>
      <OpenDesk painting={painting} titles={titles} store={store} shared={shared} />
    </OnDesk>
  );
}

/** What lies on a desk beside the painting: the paints as they lie on its paper, the boxes, what the logbook taught. */
export function OnDesk({
  store,
  paints,
  boxes,
  learned,
  children,
}: Pick<DeskProps, "paints" | "boxes" | "learned"> & { store: DeskStore; children: ReactNode }) {
  const paperId = useStore(store, (s) => s.document.paperId);
  const opacity = useStore(store, (s) => s.document.approach.opacity);
  const known = useKnownPaints(paints, { learned, paperId, opacity });
  if (!known) return <Opening />;
  return (
    <DeskProvider value={store}>
      <PaintsProvider value={known}>
        <BoxesProvider value={boxes}>
          <LearnedProvider value={learned}>
            <AtHandProvider>
              <BoxRangeProvider>{children}</BoxRangeProvider>
            </AtHandProvider>
          </LearnedProvider>
        </BoxesProvider>
      </PaintsProvider>
    </DeskProvider>
  );
}

/** The same, laid out with packed properties. */
export const PackedDesk = unpacked(Desk);
