import { defineConfig } from "oxlint";

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
const ROOMS = [
  "desk",
  "guide",
  "handbook",
  "keeping",
  "logbook",
  "measure",
  "pack",
  "paintbox",
  "paintings",
  "sign-in",
  "try-mix",
];

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
  excludeFiles: TESTS,
  rules: { "no-restricted-imports": ["error", { patterns }] },
});

const TESTING = { regex: "^@/testing(/|$)", message: "src/testing is for tests; nothing shipped imports it." };

function patternsOf(room) {
  const below = MAY_IMPORT[room];
  const shut = Object.keys(MAY_IMPORT).filter((other) => !below.includes(other) && other !== room);
  const words = `src/${room} imports downwards only: ${below.join(", ") || "nothing else in src"}.`;
  const ports = PORTS_ALONE.includes(room);
  return [
    TESTING,
    { regex: `^@/(${shut.filter((other) => !(ports && other === "storage")).join("|")})(/|$)`, message: words },
    ...(ports ? [{ group: ["@/storage", "@/storage/**", "!@/storage/ports"], message: words }] : []),
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

const errors = (plugin, rules) => Object.fromEntries(rules.map((rule) => [`${plugin}/${rule}`, "error"]));

/** What needs types to be seen. */
const TYPED = errors("typescript", [
  "await-thenable",
  "no-array-delete",
  "no-base-to-string",
  "no-duplicate-type-constituents",
  "no-floating-promises",
  "no-for-in-array",
  "no-implied-eval",
  "no-misused-promises",
  "no-redundant-type-constituents",
  "no-unnecessary-type-assertion",
  "no-unsafe-argument",
  "no-unsafe-assignment",
  "no-unsafe-call",
  "no-unsafe-enum-comparison",
  "no-unsafe-member-access",
  "no-unsafe-return",
  "no-unsafe-unary-minus",
  "only-throw-error",
  "prefer-promise-reject-errors",
  "restrict-plus-operands",
  "restrict-template-expressions",
  "unbound-method",
]);

const TYPESCRIPT = errors("typescript", [
  "ban-ts-comment",
  "no-array-constructor",
  "no-duplicate-enum-values",
  "no-empty-object-type",
  "no-explicit-any",
  "no-extra-non-null-assertion",
  "no-misused-new",
  "no-namespace",
  "no-non-null-asserted-optional-chain",
  "no-require-imports",
  "no-this-alias",
  "no-unnecessary-type-constraint",
  "no-unsafe-declaration-merging",
  "no-unsafe-function-type",
  "no-unused-expressions",
  "no-wrapper-object-types",
  "prefer-as-const",
  "prefer-namespace-keyword",
  "triple-slash-reference",
]);

/** Hooks, and what the React Compiler could not compile. */
const REACT = errors("react", [
  "rules-of-hooks",
  "exhaustive-deps",
  "static-components",
  "use-memo",
  "preserve-manual-memoization",
  "incompatible-library",
  "immutability",
  "globals",
  "refs",
  "set-state-in-effect",
  "error-boundaries",
  "purity",
  "set-state-in-render",
  "unsupported-syntax",
]);

const ACCESSIBLE = errors("jsx-a11y", [
  "alt-text",
  "anchor-has-content",
  "anchor-is-valid",
  "aria-activedescendant-has-tabindex",
  "aria-props",
  "aria-proptypes",
  "aria-role",
  "aria-unsupported-elements",
  "autocomplete-valid",
  "click-events-have-key-events",
  "heading-has-content",
  "html-has-lang",
  "iframe-has-title",
  "img-redundant-alt",
  "interactive-supports-focus",
  "label-has-associated-control",
  "media-has-caption",
  "mouse-events-have-key-events",
  "no-access-key",
  "no-autofocus",
  "no-distracting-elements",
  "no-interactive-element-to-noninteractive-role",
  "no-noninteractive-element-interactions",
  "no-noninteractive-element-to-interactive-role",
  "no-noninteractive-tabindex",
  "no-redundant-roles",
  "no-static-element-interactions",
  "role-has-required-aria-props",
  "role-supports-aria-props",
  "scope",
  "tabindex-no-positive",
]);

/** Lists may be what one picks from; what is told only at run time whether it can be moved to may have the focus. */
const ACCESSIBLE_BUT = {
  "jsx-a11y/no-noninteractive-element-to-interactive-role": [
    "error",
    {
      ul: ["listbox", "menu", "menubar", "radiogroup", "tablist", "tree", "treegrid"],
      ol: ["listbox", "menu", "menubar", "radiogroup", "tablist", "tree", "treegrid"],
      li: ["menuitem", "menuitemradio", "menuitemcheckbox", "option", "row", "tab", "treeitem"],
      table: ["grid"],
      td: ["gridcell"],
      fieldset: ["radiogroup", "presentation"],
    },
  ],
  "jsx-a11y/no-noninteractive-tabindex": ["error", { tags: [], roles: ["tabpanel"], allowExpressionValues: true }],
};

export default defineConfig({
  options: { typeAware: true, maxWarnings: 0, reportUnusedDisableDirectives: "error" },
  ignorePatterns: [
    ".next/**",
    "data/**",
    "src/core/optics/kernel/assembly/**",
    "src/core/numeric/blocks/assembly/**",
    "next-env.d.ts",
    "test-results/**",
    "playwright-report/**",
  ],
  plugins: ["eslint", "typescript", "react", "jsx-a11y"],
  jsPlugins: ["@stylistic/eslint-plugin", "./scripts/typing-rule.mjs"],
  categories: { correctness: "off" },
  rules: {
    ...TYPESCRIPT,
    "typescript/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
    "eslint/no-unused-vars": ["error", { varsIgnorePattern: "^_", argsIgnorePattern: "^_" }],
    "eslint/eqeqeq": "error",
    "eslint/no-var": "error",
    "eslint/prefer-const": "error",
    "eslint/prefer-rest-params": "error",
    "eslint/prefer-spread": "error",
    // Code is broken by the formatter, comments are not.
    "@stylistic/max-len": ["error", { code: 10_000, comments: 120, ignoreUrls: true }],
  },
  overrides: [
    { files: ["e2e/**/*.ts"], excludeFiles: ["e2e/typing.ts"], rules: { "typing/by-keys": "error" } },
    // What is shipped is checked with its types; tests compare with matchers, which have none.
    { files: SHIPPED, excludeFiles: TESTS, rules: TYPED },
    // Components and hooks live here alone.
    {
      files: ["src/{app,rooms,ui}/**/*.{ts,tsx}"],
      excludeFiles: TESTS,
      rules: { ...REACT, ...ACCESSIBLE, ...ACCESSIBLE_BUT },
    },
    ...importRules,
  ],
});
