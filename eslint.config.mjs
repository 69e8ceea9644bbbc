import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** The house, top to bottom: a room may import from the rooms listed for it, and from nowhere else in src. */
const MAY_IMPORT = {
  core: [],
  model: ["core"],
  db: ["core", "model"],
  server: ["core", "model", "db"],
  workers: ["core", "model"],
  ui: ["core", "model", "db", "workers"],
  desk: ["core", "model", "db", "server", "workers", "ui"],
  paintbox: ["core", "model", "db", "workers", "ui"],
  measure: ["core", "model", "db", "workers", "ui"],
  handbook: ["core", "ui"],
  "try-mix": ["core", "model", "db", "ui"],
  app: ["core", "model", "db", "server", "workers", "ui", "desk", "paintbox", "measure", "handbook", "try-mix"],
};

/** Beyond the house, core imports nothing at all: it runs in a worker, on the server and in tests. */
const OUTSIDE_CORE = ["react", "react-dom", "next", "next/*", "node:*", "drizzle-orm", "drizzle-orm/*", "@electric-sql/*", "zustand", "sharp"];

const importRules = Object.entries(MAY_IMPORT).map(([room, below]) => {
  const above = Object.keys(MAY_IMPORT).filter((other) => !below.includes(other));
  const patterns = [
    { regex: `^@/(${above.join("|")})(/|$)`, message: `src/${room} imports downwards only: ${below.join(", ") || "nothing else in src"}.` },
    { regex: `^(\\.\\./)+(${Object.keys(MAY_IMPORT).join("|")})(/|$)`, message: "Another room is imported as @/room/…, so that the direction shows." },
  ];
  if (room === "core") patterns.push({ group: OUTSIDE_CORE, message: "src/core is computation alone." });
  if (room !== "core") patterns.push({ regex: "^@/core/.", message: "The computation has one public face: @/core." });
  return {
    files: [`src/${room}/**/*.{ts,tsx}`],
    ignores: ["**/*.test.ts"],
    rules: { "no-restricted-imports": ["error", { patterns }] },
  };
});

export default tseslint.config(
  { ignores: [".next/**", "node_modules/**", "data/**", "src/core/film/kernel/assembly/**", "next-env.d.ts", "test-results/**", "playwright-report/**"] },
  ...tseslint.configs.recommended,
  jsxA11y.flatConfigs.recommended,
  reactHooks.configs.flat.recommended,
  {
    files: ["**/*.{ts,tsx}"],
    rules: {
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/no-unused-vars": ["error", { varsIgnorePattern: "^_", argsIgnorePattern: "^_" }],
      eqeqeq: "error",
    },
  },
  ...importRules,
);
