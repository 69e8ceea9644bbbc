import jsxA11y from "eslint-plugin-jsx-a11y";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

/** The house, top to bottom: a room may import from the rooms listed for it, and from nowhere else in src. */
const MAY_IMPORT = {
  core: [],
  model: ["core"],
  storage: ["core", "model"],
  workers: ["core", "model"],
  server: ["core", "model", "storage"],
  ui: ["core", "model", "workers"],
  rooms: ["core", "model", "workers", "ui"],
  app: ["core", "model", "storage", "server", "workers", "ui", "rooms"],
};

/** Where only the ports of the storage are known, not what stands behind them. */
const PORTS_ALONE = ["ui", "rooms"];

/** Rooms of the interface: none knows another. */
const ROOMS = ["desk", "guide", "paintings", "paintbox", "measure", "handbook", "try-mix"];

/** The computation, bottom to top: a phenomenon may import from those before it. */
const CORE_ORDER = [
  "numeric",
  "colour",
  "image",
  "areas",
  "optics",
  "pigments",
  "mixing",
  "planning",
  "palette",
  "variations",
  "grounds",
  "darks",
  "mud",
  "calibration",
  "learning",
  "training",
  "simulation",
  "formats",
];

/** Beyond the house, core imports nothing at all: it runs in a worker, on the server and in tests. */
const OUTSIDE_CORE = [
  "react",
  "react-dom",
  "next",
  "next/*",
  "node:*",
  "drizzle-orm",
  "drizzle-orm/*",
  "@electric-sql/*",
  "zustand",
  "sharp",
];

const TESTS = ["**/*.test.ts", "**/*.test-helper.ts", "src/testing/**"];
const SHIPPED = ["src/**/*.{ts,tsx}"];

const restrict = (files, patterns) => ({
  files,
  ignores: TESTS,
  rules: { "no-restricted-imports": ["error", { patterns }] },
});

const TESTING = { regex: "^@/testing(/|$)", message: "src/testing is for tests; nothing shipped imports it." };

function patternsOf(room) {
  const below = MAY_IMPORT[room];
  const shut = Object.keys(MAY_IMPORT).filter((other) => !below.includes(other) && other !== room);
  const words = `src/${room} imports downwards only: ${below.join(", ") || "nothing else in src"}.`;
  const ports = PORTS_ALONE.includes(room) ? "(?!/ports$)" : "";
  return [
    TESTING,
    { regex: `^@/(${shut.join("|")})${ports}(/|$)`, message: words },
    {
      regex: `^(\\.\\./)+(${shut.join("|")})(/|$)`,
      message: "Another room is imported as @/room/…, so that the direction shows.",
    },
    room === "core"
      ? { group: OUTSIDE_CORE, message: "src/core is computation alone." }
      : { regex: "^@/core($|/[^/]+/)", message: "Each part of the computation has one public face: @/core/part." },
  ];
}

const importRules = [
  ...Object.keys(MAY_IMPORT).map((room) => restrict([`src/${room}/**/*.{ts,tsx}`], patternsOf(room))),
  ...ROOMS.map((room) => {
    const others = ROOMS.filter((other) => other !== room).join("|");
    return restrict(
      [`src/rooms/${room}/**/*.{ts,tsx}`],
      [
        ...patternsOf("rooms"),
        {
          regex: `^(@/rooms|(\\.\\./)+)/?(${others})(/|$)`,
          message: "One room of the interface does not know another.",
        },
      ],
    );
  }),
  ...CORE_ORDER.map((part, i) => {
    const later = CORE_ORDER.slice(i + 1);
    const order = {
      regex: `^(\\.\\./)+(${later.join("|")})(/|$)`,
      message: `src/core/${part} imports only from ${CORE_ORDER.slice(0, i).join(", ") || "itself"}.`,
    };
    return restrict(
      [`src/core/${part}/**/*.ts`],
      later.length > 0 ? [...patternsOf("core"), order] : patternsOf("core"),
    );
  }),
];

export default tseslint.config(
  {
    ignores: [
      ".next/**",
      "node_modules/**",
      "data/**",
      "src/core/optics/kernel/assembly/**",
      "next-env.d.ts",
      "test-results/**",
      "playwright-report/**",
    ],
  },
  ...tseslint.configs.recommended,
  // What is shipped is checked with its types; tests compare with matchers, which have none.
  ...tseslint.configs.recommendedTypeCheckedOnly.map((config) => ({ ...config, files: SHIPPED, ignores: TESTS })),
  // Components and hooks live here alone: each file that is looked at is compiled for it.
  ...[jsxA11y.flatConfigs.recommended, reactHooks.configs.flat.recommended].map((config) => ({
    ...config,
    files: ["src/{app,rooms,ui}/**/*.{ts,tsx}"],
    ignores: TESTS,
  })),
  {
    files: SHIPPED,
    ignores: TESTS,
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    // A handler, a port or a meter may answer at once where its kind answers later.
    rules: { "@typescript-eslint/require-await": "off" },
  },
  {
    files: ["**/*.{ts,tsx}"],
    rules: {
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/no-unused-vars": ["error", { varsIgnorePattern: "^_", argsIgnorePattern: "^_" }],
      eqeqeq: "error",
      // Code is broken by the formatter, comments are not.
      "max-len": ["error", { code: 10_000, comments: 120, ignoreUrls: true }],
    },
  },
  ...importRules,
);
