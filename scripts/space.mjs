import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { checkNode, ensureDependencies, root } from "./setup.mjs";

// The command itself is TypeScript, as what it works with.
checkNode();
ensureDependencies();
const done = spawnSync(
  process.execPath,
  [join(root, "node_modules", "tsx", "dist", "cli.mjs"), join(root, "scripts", "space.ts"), ...process.argv.slice(2)],
  {
    stdio: "inherit",
    env: { ...process.env, ABENDROT_STARTED_FROM: process.env.INIT_CWD ?? process.cwd() },
    cwd: root,
  },
);
process.exit(done.status ?? 1);
