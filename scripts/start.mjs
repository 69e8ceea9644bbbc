import { createServer } from "node:http";
import { networkInterfaces } from "node:os";
import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { emptyDatabase } from "./empty-database.mjs";
import { checkNode, ensureBuild, ensureDependencies, root } from "./setup.mjs";

/** Beyond this machine it is heard only when told so. */
const HOST = process.env.HOST?.trim() || "127.0.0.1";
const AT_HOME = new Set(["127.0.0.1", "localhost", "::1"]);
const METHODS = new Set(["GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS"]);
const port = Number(process.env.PORT ?? 3000);

/** For a tablet in the same room: a second address, at which nothing but the plan is answered. */
const share = process.argv.includes("--share");
const sharePort = Number(process.env.SHARE_PORT ?? port + 1);

/** Tells the program at which addresses of this machine second screens are heard. */
function prepareSharing() {
  if (process.env.DATABASE_URL) {
    console.error("On a server of several painters there is no --share: sign in on the tablet itself.");
    process.exit(1);
  }
  const own = Object.values(networkInterfaces())
    .flat()
    .filter(({ family, internal }) => family === "IPv4" && !internal)
    .map(({ address }) => address);
  if (own.length === 0) {
    console.error("This machine is in no network, so no tablet can reach it. Connect it and start again.");
    process.exit(1);
  }
  process.env.ABENDROT_SHARED_AT = JSON.stringify(own.map((address) => `http://${address}:${sharePort}`));
  process.env.ABENDROT_HOSTS = [process.env.ABENDROT_HOSTS, ...own].filter(Boolean).join(",");
}

// Whoever read its words may be gone, a closed terminal or a pipe: Next.js would tell of that in words, without end.
for (const stream of [process.stdout, process.stderr]) stream.on("error", () => {});
checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
  process.exit(1);
}
// A relative ABENDROT_DATA begins where the painter stands, not where npm runs its scripts.
process.env.ABENDROT_STARTED_FROM = process.env.INIT_CWD ?? process.cwd();
process.env.ABENDROT_PROGRAM = root;
process.chdir(root);
process.env.NODE_ENV = "production";
process.env.NEXT_TELEMETRY_DISABLED = "1";
if (share) prepareSharing();
ensureDependencies();
const database = process.env.DATABASE_URL ? null : emptyDatabase();
ensureBuild();
process.env.ABENDROT_EMPTY_DATABASE = (await database) ?? "";

// src/instrumentation.ts takes the data folder, and ends the process when it can't be used.
const taken = new Promise((resolve) => {
  globalThis.abendrotTaken = resolve;
});
const { default: next } = await import("next");
const app = next({ dev: false, dir: root, hostname: HOST, port });
await app.prepare();
await taken;

/** Why a request can't even be looked at; null when it can. */
function faultOf(request) {
  if (!METHODS.has(request.method)) return [405, "This way of asking is not known here."];
  if (request.url.startsWith("/_next/") && request.method !== "GET" && request.method !== "HEAD")
    return [405, "This way of asking is not known here."];
  try {
    decodeURI(request.url.split("?", 1)[0]);
    const tree = request.headers["next-router-state-tree"];
    if (tree !== undefined) JSON.parse(decodeURIComponent(tree));
    return null;
  } catch {
    return [400, "This request can't be read."];
  }
}

/** Where a request comes from; behind a proxy on this machine, where the proxy says that it comes from. */
function peerOf(request) {
  const peer = request.socket.remoteAddress ?? "unknown";
  const forwarded = request.headers["x-forwarded-for"];
  const near = peer === "::1" || /^(::ffff:)?127\./.test(peer);
  return near && forwarded ? String(forwarded).split(",").at(-1).trim() : peer;
}

/** What a second screen may ask for; what of it may be answered is looked at again in the program. */
const FOR_GUESTS =
  /^\/(beside(\/|\?|$)|api\/beside(\/|\?|$)|api\/photos\/[0-9a-f]{64}(\?|$)|_next\/static\/|icon\.svg)/;

/** Memory that nothing needs any more is given back once nobody has asked for a while: the engine waits far longer. */
const REST_MS = 10_000;
setFlagsFromString("--expose-gc");
const giveBack = runInNewContext("gc");
let resting;
function restSoon() {
  clearTimeout(resting);
  resting = setTimeout(giveBack, REST_MS);
  resting.unref();
}

const handle = app.getRequestHandler();

/** What is being answered; once it is told to stop nothing new is begun, and what is under way is waited for. */
let underWay = 0;
let stopping = false;
/** What takes longer, a download of everything, is broken off. */
const DRAIN_MS = 5000;
const STOPPING = "Abendrot is being stopped. What you changed is kept in this browser and will be tried again.";

globalThis.abendrotDrained = async () => {
  stopping = true;
  for (const end = Date.now() + DRAIN_MS; underWay > 0 && Date.now() < end;)
    await new Promise((resolve) => setTimeout(resolve, 20));
};

/** Answers one request; `guest` for one that came in where second screens are heard. */
function answer(request, response, guest) {
  const fault = guest && !FOR_GUESTS.test(request.url) ? [404, "This is not for a second screen."] : faultOf(request);
  request.headers["x-abendrot-peer"] = peerOf(request);
  delete request.headers["x-abendrot-guest"];
  if (guest) request.headers["x-abendrot-guest"] = "yes";
  restSoon();
  if (stopping)
    return void response
      .writeHead(503, { "content-type": "application/json", connection: "close" })
      .end(JSON.stringify({ message: STOPPING }));
  if (!fault) {
    underWay++;
    response.once("close", () => underWay--);
    return void handle(request, response);
  }
  response
    .writeHead(fault[0], { "content-type": "text/plain; charset=utf-8", "x-content-type-options": "nosniff" })
    .end(fault[1]);
}

const server = createServer((request, response) => answer(request, response, false));
/** What it means to be heard beyond this machine. */
function tellListening() {
  console.log(
    process.env.DATABASE_URL
      ? `It listens at ${HOST}: whoever reaches this machine can try to sign in. Without a proxy that speaks TLS, pass phrases travel open.`
      : `It listens at ${HOST}: whoever reaches this machine can read and change everything, without a pass phrase.`,
  );
  if (!process.env.ABENDROT_HOSTS)
    console.log("It answers to this machine's own names alone; ABENDROT_HOSTS says by which others it may be called.");
}

server.on("error", (error) => {
  if (error.code === "EADDRINUSE")
    console.error(`Port ${port} is in use. Stop what uses it, or choose another: PORT=${port + 1} npm start`);
  else console.error(error.message);
  process.exit(1);
});
if (share)
  createServer((request, response) => answer(request, response, true))
    .on("error", (error) => {
      console.error(`Second screens can't be heard at port ${sharePort} (${error.code}). Choose another: SHARE_PORT=…`);
      process.exit(1);
    })
    .listen(sharePort, "0.0.0.0", () =>
      console.log(
        `A tablet in the same network sees the plan at ${JSON.parse(process.env.ABENDROT_SHARED_AT)[0]}/beside, once it is paired on the desk.`,
      ),
    );
server.listen(port, HOST, () => {
  const address = `http://${HOST}:${port}`;
  globalThis.abendrotAt?.(address);
  if (!AT_HOME.has(HOST)) tellListening();
  console.log(`Abendrot is at ${address} (Ctrl+C stops it)`);
});
