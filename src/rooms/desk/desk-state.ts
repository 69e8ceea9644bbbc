import type { Hangs } from "@/core/mixing";
import type { LabelMap } from "@/core/areas";
import type { Lab } from "@/core/colour";
import type { Point, ViewKind } from "@/core/image";
import type { Approach } from "@/core/palette";
import type { Shift } from "@/core/variations";
import type { KeptPalette, PaintingArea, PaintingDocument, StoredRecipe, StoredRules, Study } from "@/model/painting";
import type { StoredPlan } from "@/model/plan";

/** A colour taken from the photo that has no name yet. */
export interface TakenSample {
  readonly sample: PaintingArea["sample"];
  readonly lab: Lab;
  /** Share of its pixels that are burnt out or blocked. */
  readonly untrusted: number;
}

/** The desk's steps in a painter's order. */
export const DESK_STEPS = ["photo", "areas", "palette", "mixes", "check", "plan"] as const;
export type Step = (typeof DESK_STEPS)[number];

/** What the palette step shows. */
export const PALETTE_VIEWS = ["choose", "try", "compare", "reach", "wash"] as const;
export type PaletteView = (typeof PALETTE_VIEWS)[number];

/** What the last step looks at. */
export const CHECK_VIEWS = ["darks", "warmth", "mud", "light"] as const;
/** Where a painting hangs and for how long. */
export interface InLight {
  readonly hangs: Hangs;
  readonly years: number;
}
export type CheckView = (typeof CHECK_VIEWS)[number];

/** What the plan shows. */
export const PLAN_VIEWS = ["order", "puddles", "away"] as const;
export type PlanView = (typeof PLAN_VIEWS)[number];

/** A colour that is looked at in the photo before its recipe is taken. */
interface Preview {
  readonly colourId: string;
  readonly dry: Lab;
}

/** How the mixes are laid out. */
type MixesView = "puddles" | "areas";

/** What a press on the photo does. */
export type Tool = "sample" | "select" | "white" | "compare" | "lasso" | "crop";

/**
 * How the photo is seen: a view of the core's, the areas flat in their target colours, or the photo through the
 * palette.
 */
export type Seeing = ViewKind | "squint" | "palette" | "planned";

/** Shapes proposed for what is no area yet. */
interface Proposal {
  readonly map: LabelMap;
  readonly shapes: number;
  /** Numbers of shapes at which the photo divides most plainly, most stable first. */
  readonly stable: readonly number[];
}

/** Two points of the photo, one of them perhaps still to come. */
export interface Pair {
  readonly a: Point;
  readonly b: Point | null;
}

/** Which paints a match may use. */
export type MatchSource = "paintbox" | "tray";

export interface DeskState {
  readonly document: PaintingDocument;
  readonly selectedId: string | null;
  /** The colour of the selected area's wash that was asked for; null: its own. */
  readonly colourId: string | null;
  readonly taken: TakenSample | null;
  /** Sampling radius as a share of the photo's width. */
  readonly radius: number;
  readonly source: MatchSource;
  readonly step: Step;
  readonly tool: Tool;
  readonly seeing: Seeing;
  /** Steps of the value view; 0 is a grey for every value. */
  readonly valueSteps: number;
  readonly outlines: boolean;
  /** Whether burnt-out and blocked places are marked. */
  readonly marks: boolean;
  /**
   * Where the split between the photo and its repainting stands, as a share of the view; 0 shows the repainting alone.
   */
  readonly split: number;
  readonly paletteView: PaletteView;
  /** Null: by puddles once every colour is mixed. */
  readonly mixesView: MixesView | null;
  readonly checkView: CheckView;
  readonly preview: Preview | null;
  /** Which way the open colour is to be shifted at its value. */
  readonly shift: Shift;
  /** Whether the shapes show how warm and cool their mixes are, in place of the mixes. */
  readonly warmthMap: boolean;
  /** The light after which the shapes are shown, in place of the mixes as they dry. */
  readonly inLight: InLight | null;
  readonly planView: PlanView;
  /** Whether the sheet is shown as it will look, and after how many washes; null: after the last. */
  readonly after: number | null;
  /** Whether the planned sheet is shown in steps of grey. */
  readonly greyed: boolean;
  /** Whether the plan is painted by: one wash at a time, over the whole screen. */
  readonly easel: boolean;
  /** Whether the palette step has been shown: from then on palettes are weighed. */
  readonly paletteSeen: boolean;
  /** A palette that is being tried in thought, in place of the tray's; null when none is. */
  readonly tried: readonly string[] | null;
  readonly proposal: Proposal | null;
  /** What a finished lasso makes of its shape. */
  readonly lasso: LassoUse;
  /** The colour of a wash that the next colour taken from the photo is for; null when it is for a new area. */
  readonly picking: string | null;
  readonly pair: Pair | null;

  readonly goTo: (step: Step) => void;
  readonly setTool: (tool: Tool) => void;
  readonly see: (seeing: Seeing) => void;
  readonly setValueSteps: (steps: number) => void;
  readonly toggle: (which: "outlines" | "marks") => void;
  readonly setSplit: (split: number) => void;
  readonly showPalette: (view: PaletteView) => void;
  readonly showMixes: (view: MixesView) => void;
  readonly showCheck: (view: CheckView) => void;
  readonly showPlan: (view: PlanView) => void;
  readonly showAfter: (after: number | null) => void;
  readonly showGreyed: (greyed: boolean) => void;
  readonly paintBy: (easel: boolean) => void;
  /** Shows a mix in the photo, laid as a wash; null takes it away again. */
  readonly setShift: (shift: Shift) => void;
  readonly showWarmthMap: (shown: boolean) => void;
  readonly showInLight: (inLight: InLight | null) => void;
  readonly showPreview: (preview: Preview | null) => void;
  readonly tryPalette: (paintIds: readonly string[] | null) => void;
  readonly propose: (proposal: Proposal | null) => void;
  readonly setLasso: (use: LassoUse) => void;
  readonly comparePoint: (point: Point) => void;
  readonly clearPair: () => void;
  /** Takes the next colour from the photo for one of a wash's; null gives up. */
  readonly pick: (colourId: string | null) => void;

  readonly take: (sample: TakenSample | null) => void;
  /** Opens an area, at one of its wash's colours if one is named; null goes back to all. */
  readonly select: (id: string | null, colourId?: string | null) => void;
  readonly setRadius: (radius: number) => void;
  readonly setSource: (source: MatchSource) => void;

  /** Why the last change was not taken; null when it was. */
  readonly refused: string | null;
  /** Puts a whole document in place of the present one. */
  readonly replace: (document: PaintingDocument) => void;
  /** A field has been left: what is typed next is a step of its own. */
  readonly endTyping: () => void;

  readonly setTitle: (title: string) => void;
  readonly setPaper: (paperId: string) => void;
  /** Changes some of the study; what is typed into one field is one step under one run. */
  readonly changeStudy: (change: Partial<Study>, run?: string) => void;
  /** Corrects the white; colours already measured follow. */
  readonly setWhite: (white: Study["white"]) => void;
  /** Draws the map anew with the areas that live on it, and names what came of it. */
  readonly setAreas: (map: LabelMap, areas: readonly PaintingArea[]) => void;
  readonly addArea: (area: PaintingArea) => void;
  readonly changeArea: (id: string, change: Partial<Omit<PaintingArea, "id">>) => void;
  /** Gives one of a wash's colours another place in the photo, and what lies there. */
  readonly moveColour: (colourId: string, at: Point, lab: Lab) => void;
  readonly nameArea: (id: string, name: string) => void;
  readonly removeArea: (id: string) => void;
  /** Chooses recipes and lays their paints on the palette. */
  readonly chooseRecipes: (recipes: ReadonlyMap<string, StoredRecipe | null>) => void;
  /** Lays out a palette in place of the present one, with the recipes found for it. */
  readonly layOut: (paintIds: readonly string[], recipes: ReadonlyMap<string, StoredRecipe>) => void;
  readonly changeApproach: (change: Partial<Approach>) => void;
  /** `typing` names the field that is typed into: what is typed in one go is one step to undo. */
  readonly changePlan: (change: Partial<StoredPlan>, typing?: string) => void;
  readonly changeRules: (change: Partial<StoredRules>) => void;
  readonly setKept: (palettes: readonly KeptPalette[]) => void;
  readonly nameKept: (id: string, name: string) => void;
  readonly addToPalette: (paintId: string) => void;
  /** Puts a paint in another one's well; one that lies in the tray already changes places with it. */
  readonly putInWell: (paintId: string, inPlaceOf: string) => void;
  readonly removeFromPalette: (paintId: string) => void;
  readonly movePaint: (paintId: string, by: -1 | 1) => void;
}

/** A lasso makes a new area, or adds to the selected one, or takes from it. */
type LassoUse = "new" | "add" | "take";
