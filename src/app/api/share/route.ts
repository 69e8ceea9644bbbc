import { NextResponse } from "next/server";
import { toString as squareCode } from "qrcode";
import { BESIDE_PAGE, shareRequest, type ShareAnswer } from "@/model/beside";
import { notForGuests, pairing, shareAddresses, unpairAll } from "@/server/context/beside";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

const NOT_SHARED = "Abendrot was not started for a second screen: npm start -- --share";
const TROUBLE = "The second screen could not be seen to.";

/** How the second screen is reached, with the code that pairs the next device. */
export async function GET(): Promise<NextResponse> {
  try {
    await notForGuests();
    const addresses = shareAddresses().map((address) => `${address}${BESIDE_PAGE}`);
    if (addresses.length === 0) return refuse(404, NOT_SHARED);
    const { code, devices } = pairing();
    const answer: ShareAnswer = {
      addresses,
      code,
      // The code stands behind the number sign: browsers send that to nobody.
      square: await squareCode(`${addresses[0]!}#${code}`, { type: "svg", margin: 2, errorCorrectionLevel: "M" }),
      devices: devices.map(({ name, since }) => ({ name, since: since.toISOString() })),
    };
    return NextResponse.json(answer, { headers: { "cache-control": "no-store" } });
  } catch (error) {
    return refuseTrouble("The second screen", error, TROUBLE);
  }
}

/** Ends it for all devices. */
export async function POST(request: Request): Promise<NextResponse> {
  try {
    await notForGuests();
    if (!shareRequest.safeParse(await readJson(request, 1024)).success) return refuse(400, "This is not known here.");
    unpairAll();
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("The second screen", error, TROUBLE);
  }
}
