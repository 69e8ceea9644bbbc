import { randomUUID } from "node:crypto";
import { NextResponse } from "next/server";
import { newestDay } from "@/model/day";
import {
  packedBoxRequest,
  paintboxDocument,
  paintFaults,
  runningLowRequest,
  savePaintboxRequest,
  savePaintsRequest,
  type PaintboxDocument,
} from "@/model/paintbox";
import { RevisionConflict, WholeNeeded } from "@/storage/ports";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** 2000 paints with notes stay well under this. */
const LIMIT = 8 * 1024 * 1024;

/** Changes the stored paintbox from another room, if what comes of it is a paintbox. */
async function change(to: (document: PaintboxDocument) => PaintboxDocument, wrong: string): Promise<NextResponse> {
  try {
    const { paintbox } = await storeToWrite();
    const { revision, document } = await paintbox.find();
    const changed = paintboxDocument.safeParse(to(document));
    if (!changed.success) return refuse(400, `${wrong}: ${changed.error.issues[0]?.message ?? "it can't be kept"}`);
    await paintbox.save({ revision, writer: randomUUID(), step: 0 }, changed.data);
    return NextResponse.json({});
  } catch (error) {
    if (error instanceof RevisionConflict)
      return refuse(409, "The paintbox was changed in another window just now. Try again.");
    return refuseTrouble(wrong, error, `${wrong}. Try again.`);
  }
}

/** Puts paints that will run out on the list to buy: owned ones are noted as low. Other notes of theirs stay. */
export async function PATCH(request: Request): Promise<NextResponse> {
  const body = runningLowRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, "Nothing was changed: this names no paints.");
  const low = new Set(body.data.low);
  return change(
    (document) => ({
      ...document,
      paints: document.paints.map((paint) =>
        low.has(paint.id) && paint.status === "owned" ? { ...paint, status: "low" as const } : paint,
      ),
    }),
    "The list to buy could not be kept",
  );
}

/** Lays a packed box beside the others. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = packedBoxRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, `Nothing was changed: ${body.error.issues[0]?.message ?? "this is no box"}`);
  return change(
    (document) => ({ ...document, boxes: [...document.boxes, body.data.box] }),
    "The box could not be laid out",
  );
}

/**
 * Saves the whole paintbox, or those paints of it alone that were changed (412 where these don't fit upon what is
 * stored: the whole does); one that was changed elsewhere since answers with what is stored.
 */
export async function PUT(request: Request): Promise<NextResponse> {
  const sent = await readJson(request, LIMIT);
  const isPart = typeof sent === "object" && sent !== null && "paints" in sent;
  const body = (isPart ? savePaintsRequest : savePaintboxRequest).safeParse(sent);
  if (!body.success)
    return refuse(400, `This could not be saved: ${body.error.issues[0]?.message ?? "it is not a paintbox"}`);
  const today = newestDay(new Date());
  for (const paint of "paints" in body.data ? body.data.paints : body.data.document.paints) {
    const [fault] = Object.values(paintFaults(paint, today));
    if (fault) return refuse(400, `${paint.name}: ${fault}`);
  }
  try {
    const { paintbox } = await storeToWrite();
    const revision =
      "paints" in body.data
        ? await paintbox.savePaints(body.data, body.data.paints)
        : await paintbox.save(body.data, body.data.document);
    return NextResponse.json({ revision });
  } catch (error) {
    if (error instanceof WholeNeeded) return refuse(412, "The whole paintbox is needed.");
    if (error instanceof RevisionConflict)
      return NextResponse.json(
        {
          message: "The paintbox was changed in another window meanwhile.",
          stored: await (await openStore()).paintbox.find(),
        },
        { status: 409 },
      );
    return refuseTrouble(
      "The paintbox could not be saved",
      error,
      "The paintbox could not be saved. It is kept in this browser and will be tried again.",
    );
  }
}
