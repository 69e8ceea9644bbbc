import { programFile } from "@/storage/program-folder";
import { randomUUID } from "node:crypto";
import sharp from "sharp";
import {
  emptyMap,
  featuresOf,
  fillPolygon,
  knownPieces,
  measureAreas,
  packMap,
  pointWithin,
  snapToEdges,
  superpixels,
  washPlan,
  withLabel,
  type LabelMap,
} from "@/core/areas";
import { CARD_WATER, patchOfSpectrum } from "@/core/calibration";
import type { Lab } from "@/core/colour";
import { areaImageOf, keepInside, resized, shapeImageOf, wholePhoto, type PixelArray } from "@/core/image";
import {
  ANY_CHARACTER,
  DEFAULT_MATCH,
  matchOver,
  paintModel,
  paperUnder,
  prepareMatch,
  valueRange,
} from "@/core/mixing";
import { loadOfWater, PAPERS } from "@/core/optics";
import { curveOf, targetColour } from "@/core/planning";
import { madeUpSwatches } from "@/core/simulation";
import type { Repositories, Store } from "@/storage/ports";
import { newPaint, type TravelBox } from "@/model/paintbox";
import { NEW_STUDY, newArea, newPainting, type PaintingArea, type StoredRecipe, type Study } from "@/model/painting";
import { withPlan } from "@/model/washes";
import type { NewMeasurement, StoredPatch } from "@/model/measurement";
import { readPhoto } from "../photo-import/read-photo";
import { fitMeasurement } from "../fit-measurement";
import { storePhoto } from "../photo-import/photo-store";
import { DEMO_AREAS } from "./areas";
import { seedLogbook } from "./logbook";
import { DEMO_BOX_SHEET, DEMO_CARD, DEMO_MEASURED, DEMO_PAINTS, DEMO_PALETTE } from "./paintbox";

/** Circle about the point that stands for a whole area, as a share of the photo's width. */
const MARK_RADIUS = 0.004;
const SHEET = { widthCm: 38, heightCm: 28, unit: "cm" } as const;
const PHOTO = programFile("src", "server", "demo", "pump-house.jpg");

/** Draws the demo's areas to the photo's edges, bottom layer first. */
function drawAreas(photo: PixelArray): { map: LabelMap; areas: PaintingArea[]; shares: readonly number[] } {
  const image = areaImageOf(photo);
  const { width, height } = image;
  const mask = new Uint8Array(width * height).fill(1);
  const features = featuresOf(image);
  const pieces = knownPieces(superpixels(features, width, height, mask), features);
  let map = emptyMap(width, height);
  const labelled = DEMO_AREAS.map((area, i) => ({ ...area, label: i + 1 }));
  for (const { outlines, label } of [...labelled].sort((a, b) => a.layer - b.layer)) {
    for (const outline of outlines) {
      const inside = snapToEdges(
        fillPolygon(
          outline.map(([x, y]) => ({ x, y })),
          width,
          height,
        ),
        pieces,
      );
      map = withLabel(map, label, (i) => inside[i] === 1);
    }
  }
  const { areas } = measureAreas(map, image, mask, width);
  const small = shapeImageOf(image);
  const smallMap = { width: small.width, height: small.height, labels: resized(map.labels, image, small) };
  return {
    map,
    shares: labelled.map(({ label }) => areas.find((area) => area.label === label)!.share),
    areas: labelled.map(({ name, label, plane = null, light = null, weight = 1, asPhoto }) => {
      const { mean } = areas.find((area) => area.label === label)!;
      const area = newArea({
        id: randomUUID(),
        name,
        plane,
        light,
        weight,
        region: label,
        lab: mean,
        sample: { ...pointWithin(map, label)!, radius: MARK_RADIUS },
      });
      const plan = asPhoto ? washPlan(smallMap, label, small) : null;
      if (!plan) return area;
      const at = plan.kind === "flat" ? area.sample : plan.colours[0]!.at;
      return { ...withPlan(area, plan), sample: { ...at, radius: MARK_RADIUS } };
    }),
  };
}

/**
 * The demo's measuring so far: a card and a box sheet printed and painted, their photos still to be read; one paint
 * measured twice with the simulated meter.
 */
async function seedMeasured(
  { cards, settings, measurements }: Pick<Repositories, "cards" | "settings" | "measurements">,
  idOf: (name: string) => string,
): Promise<void> {
  const card = await cards.add(
    { kind: "card", paints: DEMO_CARD.map(idOf), paperId: PAPERS[0].id },
    DEMO_MEASURED.days[1],
  );
  await settings.keepDemoSheet("card", card.id);
  const box = await cards.add(
    { kind: "box", paints: DEMO_BOX_SHEET.map(idOf), paperId: PAPERS[0].id },
    DEMO_MEASURED.days[1],
  );
  await settings.keepDemoSheet("box", box.id);
  const paint = DEMO_PAINTS.find(({ name }) => name === DEMO_MEASURED.name)!;
  const facts = { ...paint, id: idOf(paint.name) };
  for (const [i, on] of DEMO_MEASURED.days.entries()) {
    const swatches = madeUpSwatches(paint.pigments, DEMO_MEASURED.maker - 1 + i);
    const patches = CARD_WATER.slice(0, 4).map((waterParts, swatch): StoredPatch => {
      const { reflectance, ...patch } = patchOfSpectrum(
        "wash",
        swatch,
        waterParts,
        swatches("wash", swatch, waterParts),
      );
      return { what: patch.what, swatch, waterParts, lab: patch.lab, reflectance: [...reflectance!] };
    });
    const measurement: NewMeasurement = {
      paintId: facts.id,
      on,
      way: "simulated meter",
      paperId: PAPERS[0].id,
      photoId: null,
      cardId: null,
      patches,
    };
    const fit = fitMeasurement(facts, measurement);
    if (!("refused" in fit)) await measurements.add(measurement, fit);
  }
}

/**
 * Lays out the demo in an empty store: paintbox, photo, the painting with its areas, its palette
 * and the recipes the engine finds for them. Does nothing in a store that has been written to.
 */
export async function seedDemo(store: Store): Promise<void> {
  const { revision, document } = await store.paintbox.find();
  if (revision > 0 || document.paints.length > 0) return;
  const photo = await readPhoto(PHOTO);
  const { data: pixels, info } = await sharp(photo.working).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const { map, areas, shares } = drawAreas({ data: pixels, width: info.width, height: info.height });
  await storePhoto(store, photo, PHOTO, "pump-house.jpg");
  await store.transaction(async ({ paintbox, paintings, ...rest }) => {
    const ids = DEMO_PAINTS.map(() => randomUUID());
    const travel: TravelBox = {
      id: randomUUID(),
      name: "For the canal",
      rows: 2,
      columns: 6,
      pan: "half pan",
      rowPans: [],
      wells: [
        ...DEMO_PALETTE.map((name) => ids[DEMO_PAINTS.findIndex((p) => p.name === name)]!),
        null,
        null,
        null,
        null,
      ],
    };
    await paintbox.save(
      { revision, writer: randomUUID(), step: 0 },
      { paints: DEMO_PAINTS.map((paint, i) => newPaint({ id: ids[i]!, ...paint, demo: true })), boxes: [travel] },
    );
    const idOf = (name: string): string => ids[DEMO_PAINTS.findIndex((paint) => paint.name === name)]!;
    const palette = DEMO_PALETTE.map(idOf);
    const models = DEMO_PALETTE.map((name) => {
      const { pigments, tintingStrength } = DEMO_PAINTS.find((paint) => paint.name === name)!;
      return paintModel(idOf(name), pigments, tintingStrength);
    });
    const table = prepareMatch(models, PAPERS[0]);
    const study: Study = {
      ...NEW_STUDY,
      sheet: SHEET,
      map: { width: map.width, height: map.height, packed: packMap(map) },
    };
    const frame = keepInside({ ...wholePhoto(info), aspect: SHEET.widthCm / SHEET.heightCm }, info);
    // The sheet is cut out of the photo at the photo's full height.
    const photoCm2 = SHEET.heightCm * SHEET.heightCm * (info.width / info.height);
    const curve = curveOf(
      "lights",
      valueRange(
        DEMO_PAINTS.map(({ pigments, tintingStrength }, i) => paintModel(ids[i]!, pigments, tintingStrength)),
        PAPERS[0],
      ),
    );
    /** The best recipe of a colour, laid on the paper or over another mix. */
    const recipeOf = (lab: Lab, areaCm2: number, over: StoredRecipe | null): StoredRecipe => {
      const target = targetColour(lab, study.wish, curve, PAPERS[0]);
      const mix = over?.parts.map(({ paintId, parts }) => ({ paint: models.find(({ id }) => id === paintId)!, parts }));
      const on = mix && over ? paperUnder({ mix, load: loadOfWater(over.waterParts) }, PAPERS[0]) : PAPERS[0];
      const options = { ...DEFAULT_MATCH, ways: 1, ...(over && { maxPaints: 2 as const }) };
      const [best] = matchOver(target, over ? prepareMatch(models, on, options) : table, options, {
        areaCm2,
        character: ANY_CHARACTER,
      });
      return { parts: [...best!.parts], waterParts: best!.waterParts };
    };
    const mixed = areas.map((area, i): PaintingArea => {
      const whole = shares[i]! * photoCm2;
      const layered = area.wash.kind === "layered";
      const recipe = recipeOf(area.lab, layered ? whole : whole * area.wash.share, null);
      const more = area.wash.more.map((colour) => ({
        ...colour,
        recipe: recipeOf(colour.lab, whole * colour.share, layered && !colour.drop ? recipe : null),
      }));
      return { ...area, recipe, wash: { ...area.wash, more } };
    });
    const palettes = [
      { id: randomUUID(), name: "One blue, one brown", paints: ["Ultramarine", "Burnt umber"].map(idOf) },
    ];
    await seedMeasured(rest, idOf);
    await seedLogbook(rest.logbook, idOf);
    const demo = {
      ...newPainting("The pump house at last light", PAPERS[0].id),
      areas: mixed,
      palette,
      palettes,
      study: { ...study, frame },
    };
    await paintings.create(photo.id, demo, true);
  });
}
