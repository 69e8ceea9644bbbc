import { z } from "zod";
import { paintModel, type MeasuredOptics, type PaintModel } from "@/core";

const bands = z.array(z.number().gte(0)).length(36);

/** Measured optics of a paint on their way to a worker. */
const measured = z.object({
  K: bands, S: bands, miss: z.number().gte(0), loads: z.tuple([z.number().positive(), z.number().positive()]), on: z.string(), way: z.string(),
});

/** A paint on its way to a worker, which makes its model of it. */
export const paintMessage = z.object({
  id: z.string(),
  pigments: z.array(z.object({ pigmentId: z.string(), share: z.number().positive() })).min(1),
  tintingStrength: z.number().positive(),
  measured: measured.nullable(),
});
export type PaintMessage = z.infer<typeof paintMessage>;

/** What a worker is told of a paint. */
export const messageOf = ({ id, pigments, tintingStrength, measured: own }: Omit<PaintMessage, "measured"> & { readonly measured: MeasuredOptics | null }): PaintMessage => ({
  id, pigments: [...pigments], tintingStrength, measured: own && { ...own, K: [...own.K], S: [...own.S], loads: [...own.loads] },
});

/** The model of a paint as the worker was told of it. */
export const modelOf = ({ id, pigments, tintingStrength, measured: own }: PaintMessage): PaintModel => paintModel(id, pigments, tintingStrength, own);
