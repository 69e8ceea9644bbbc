import "server-only";
import { getIronSession } from "iron-session";
import { cookies, headers } from "next/headers";
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { SPACE_HEADER } from "@/model/sign-in";
import { NamedError } from "@/storage/named-error";
import type { Space } from "@/storage/spaces/registry";
import { onlyPainter } from "./environment";
import { SignInNeeded } from "./refusals";
import { spaces, studioPool } from "./studio";

/** Too many wrong tries. */
export class TooManyTries extends NamedError {
  static override readonly kind = "TooManyTries";

  constructor(readonly minutes: number) {
    super(`Too many wrong tries. Try again in ${minutes} ${minutes === 1 ? "minute" : "minutes"}.`);
  }
}

/** What the cookie says: whose space, and of which pass phrase. */
interface Session {
  name?: string;
  epoch?: number;
}

const MONTH_S = 30 * 24 * 3600;
/** So long what was found of a space is believed: a new pass phrase signs others out within it. */
const BELIEVED_MS = 5000;

const session = async () =>
  getIronSession<Session>(await cookies(), {
    cookieName: "abendrot",
    password: await (await spaces()).secret("cookies"),
    ttl: MONTH_S,
    cookieOptions: {
      httpOnly: true,
      sameSite: "lax",
      // Behind a proxy that speaks TLS the cookie travels by nothing else.
      secure: (await headers()).get("x-forwarded-proto") === "https",
    },
  });

const believed = new Map<string, { readonly space: Space | null; readonly until: number }>();

async function findSpace(name: string): Promise<Space | null> {
  const known = believed.get(name);
  if (known && known.until > Date.now()) return known.space;
  const space = await (await spaces()).find(name);
  believed.set(name, { space, until: Date.now() + BELIEVED_MS });
  return space;
}

/** The space of whoever asks; null when nobody is signed in. */
export async function signedIn(): Promise<Space | null> {
  const only = onlyPainter();
  if (only !== null) return findSpace(only);
  const { name, epoch } = await session();
  const space = name === undefined ? null : await findSpace(name);
  return space && space.epoch === epoch ? space : null;
}

/** The space of whoever asks. Throws SignInNeeded. */
export async function presentSpace(): Promise<Space> {
  const space = await signedIn();
  if (!space) throw new SignInNeeded();
  // A page that was laid out for somebody else, in a browser that several use.
  const laidOutFor = (await headers()).get(SPACE_HEADER);
  if (laidOutFor !== null && laidOutFor !== space.schema) throw new SignInNeeded();
  return space;
}

const QUARTER_HOUR_S = 900;

/** Wrong tries that are allowed within a quarter of an hour: for one name from one place, and from one place in all. */
async function limiters() {
  const storeClient = await studioPool();
  const kept = { storeClient, schemaName: "abendrot", tableName: "tries", duration: QUARTER_HOUR_S };
  const made = (keyPrefix: string, points: number) =>
    new Promise<RateLimiterPostgres>((resolve, reject) => {
      const limiter = new RateLimiterPostgres({ ...kept, keyPrefix, points }, (error) =>
        error ? reject(error) : resolve(limiter),
      );
    });
  return [await made("name", 8), await made("place", 60)] as const;
}
let limiting: ReturnType<typeof limiters> | undefined;

/** Where a request comes from, as scripts/start.mjs found it. */
const placeOf = async (): Promise<string> => (await headers()).get("x-abendrot-peer") ?? "unknown";

/**
 * Signs in; false for a name or a pass phrase that is not right, without saying which. Throws TooManyTries.
 */
export async function signIn(name: string, phrase: string): Promise<boolean> {
  const place = await placeOf();
  const [byName, byPlace] = await (limiting ??= limiters().catch((error: unknown) => {
    limiting = undefined;
    throw error;
  }));
  try {
    await byPlace.consume(place);
    await byName.consume(`${name} ${place}`);
  } catch (error) {
    if (error instanceof RateLimiterRes) throw new TooManyTries(Math.max(1, Math.ceil(error.msBeforeNext / 60_000)));
    throw error;
  }
  const space = await (await spaces()).signIn(name, phrase);
  if (!space) return false;
  await Promise.all([byName.delete(`${name} ${place}`), byPlace.reward(place)]);
  const open = await session();
  open.name = space.name;
  open.epoch = space.epoch;
  await open.save();
  return true;
}

/** Signs out. */
export async function signOut(): Promise<void> {
  (await session()).destroy();
}
