import { createServer } from "node:http";
import { checkNode, ensureBuild, ensureDependencies, root } from "./setup.mjs";

const HOST = "127.0.0.1";
const port = Number(process.env.PORT ?? 3000);

checkNode();
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT must be a number from 1 to 65535, not "${process.env.PORT}".`);
  process.exit(1);
}
process.chdir(root);
process.env.NODE_ENV = "production";
process.env.NEXT_TELEMETRY_DISABLED = "1";
ensureDependencies();
ensureBuild();

const { default: next } = await import("next");
const app = next({ dev: false, dir: root, hostname: HOST, port });
// Takes the data folder (src/instrumentation.ts) and ends the process when another one holds it.
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => void handle(request, response));
server.on("error", (error) => {
  if (error.code === "EADDRINUSE") console.error(`Port ${port} is in use. Stop what uses it, or choose another: PORT=${port + 1} npm start`);
  else console.error(error.message);
  process.exit(1);
});
server.listen(port, HOST, () => console.log(`Abendrot is at http://${HOST}:${port} (Ctrl+C stops it)`));
