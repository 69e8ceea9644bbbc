/** @type {import("next").NextConfig} */
const config = {
  serverExternalPackages: [
    "@electric-sql/pglite",
    "sharp",
    "lcms-wasm",
    "libheif-js",
    "pdfkit",
    "pg",
    "@node-rs/argon2",
    "drizzle-orm",
    "ml-matrix",
    "yauzl",
    "yazl",
    "zod",
  ],
  poweredByHeader: false,
  // Everything is read on the machine that serves it: packing it and unpacking it again only costs time.
  compress: false,
  reactStrictMode: true,
  // Types are checked by `npm test`, for the whole tree; a start need not wait for it.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  experimental: {
    // A page is read when it is first asked for: a start need not read all of them.
    preloadEntriesOnStart: false,
    // To keep what was compiled for the next build takes a quarter of a build, and halves the next: where nothing was
    // built before, most likely nothing will be built again.
    turbopackFileSystemCacheForBuild: process.env.ABENDROT_FIRST_BUILD !== "yes",
    // Nobody reads source maps of the program as it is started: 44 MB, and a twelfth of a build.
    turbopackSourceMaps: false,
    turbopackInputSourceMaps: false,
    // What runs here alone need not be short: a fifth of a build less, for a start that takes the same.
    turbopackMinify: { server: false },
    serverActions: { bodySizeLimit: "1mb" },
  },
};

export default config;
