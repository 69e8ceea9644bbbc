"use client";

import { Plus } from "lucide-react";
import { useMemo } from "react";
import type { Paper } from "@/core/optics";
import { PaintPicker } from "@/ui/paint-picker";
import { useDesk } from "../desk-store";
import { usePaints } from "../paints";

/** Lays a paint from the paintbox in the tray. */
export function AddPaint({ paper }: { paper: Paper }) {
  const paints = usePaints();
  const palette = useDesk((s) => s.document.palette);
  const refused = useDesk((s) => s.refused);
  const addToPalette = useDesk((s) => s.addToPalette);
  const pickable = useMemo(
    () =>
      [...paints.values()].map((paint) => ({ ...paint, detail: paint.codes, search: `${paint.maker} ${paint.line}` })),
    [paints],
  );
  return (
    <PaintPicker
      title="Lay a paint in the tray"
      paints={pickable}
      paper={paper}
      taken={{ ids: palette, words: "in the tray" }}
      onPick={addToPalette}
      fault={refused}
      className="btn btn-outline h-auto min-w-20 flex-none self-stretch border-dashed px-2"
    >
      <Plus size={16} /> paint
    </PaintPicker>
  );
}
