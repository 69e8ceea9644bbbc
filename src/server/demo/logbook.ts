import { randomUUID } from "node:crypto";
import { patchOfSpectrum } from "@/core/calibration";
import { PAPERS } from "@/core/optics";
import { madeUpSwatches } from "@/core/simulation";
import { newLogEntry, newLoggedMix, type LogEntry, type LoggedMix, type LoggedPaint } from "@/model/logbook";
import type { Repositories } from "@/storage/ports";
import { DEMO_PAINTS } from "./paintbox";

const paper = PAPERS[0];
/** Makers whose made-up tubes were painted, by the year: another batch two years on. */
const BATCHES = { "2024-09-14": 21, "2026-10-04": 34 } as const;
const TRIED = ["Ultramarine", "Burnt sienna", "Quinacridone gold", "Viridian"] as const;
const WATER = 3;

/**
 * Lays out a few pages of the demo's logbook. Their readings are made up, so they are set aside: nothing is learned
 * from them until a painter lets them count.
 */
export async function seedLogbook(logbook: Repositories["logbook"], idOf: (name: string) => string): Promise<void> {
  const labelOf = (name: string): LoggedPaint => {
    const { maker = "", pigments, tintingStrength = 1 } = DEMO_PAINTS.find((paint) => paint.name === name)!;
    return { id: idOf(name), name, maker, pigments, tintingStrength };
  };
  const mixOf = (name: string, parts: readonly (readonly [string, number])[], more: Partial<LoggedMix> = {}) =>
    newLoggedMix({
      id: randomUUID(),
      name,
      parts: parts.map(([paint, amount]) => ({ paintId: idOf(paint), parts: amount })),
      waterParts: WATER,
      ...more,
    });
  const page = (entry: Partial<LogEntry> & Pick<LogEntry, "kind" | "on">, names: readonly string[]): LogEntry =>
    newLogEntry({ paperId: paper.id, paints: names.map(labelOf), ...entry });
  const tubes = (on: keyof typeof BATCHES, title: string): LogEntry =>
    page(
      {
        kind: "swatch",
        on,
        title,
        notes: "Made-up readings of the demo: set aside. Tick “learn from it” to see what they would change.",
        mixes: TRIED.map((name, i) => {
          const painted = madeUpSwatches(labelOf(name).pigments, BATCHES[on] + i)("wash", i, WATER);
          return mixOf(name, [[name, 1]], {
            counts: false,
            read: { lab: patchOfSpectrum("wash", i, WATER, painted).lab, by: "meter", photoId: null, at: null },
          });
        }),
      },
      TRIED,
    );
  const ring = ["Ultramarine", "Cerulean", "Viridian", "Quinacridone gold", "Burnt sienna", "Pyrrole scarlet"];
  const pages = [
    tubes("2024-09-14", "The new tubes"),
    page(
      {
        kind: "ring",
        on: "2025-03-02",
        title: "Six for the canal",
        stars: 2,
        seen: { granulates: "a little", stains: "", lifts: "much", blooms: "", flows: "flows", separates: "" },
        moods: ["evening", "flat country"],
      },
      ring,
    ),
    page(
      {
        kind: "mix",
        on: "2025-11-08",
        title: "Greys for wet brick",
        stars: 3,
        moods: ["quiet", "wet"],
        seen: {
          granulates: "much",
          stains: "",
          lifts: "",
          blooms: "",
          flows: "",
          separates: "blue above, brown below",
        },
        mixes: [
          mixOf(
            "warm grey",
            [
              ["Ultramarine", 2],
              ["Burnt sienna", 3],
            ],
            { today: true },
          ),
          mixOf("cool grey", [
            ["Ultramarine", 3],
            ["Burnt sienna", 2],
          ]),
        ],
      },
      ["Ultramarine", "Burnt sienna"],
    ),
    page(
      { kind: "note", on: "2026-05-17", title: "Brick is duller than one thinks", notes: "Nearly grey in the shade." },
      [],
    ),
    tubes("2026-10-04", "The same tubes, bought anew"),
  ];
  for (const document of pages) await logbook.create(randomUUID(), document, true);
}
