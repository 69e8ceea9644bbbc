/**
 * Compiles the kernels that are written in AssemblyScript and writes their bytes beside them. Run: npm run kernel
 */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import asc from "assemblyscript/asc";

const at = (path) => fileURLToPath(new URL(`../src/core/${path}`, import.meta.url));

const FILM = {
  folder: "optics/kernel",
  source: "assembly/film.ts",
  bytes: "film-kernel-bytes.ts",
  name: "FILM_KERNEL_BASE64",
  memory: ["--initialMemory", "16"],
};
/** Works on a memory that its user makes as large as it needs. */
const PRODUCTS = {
  folder: "numeric/blocks",
  source: "assembly/products.ts",
  bytes: "products-bytes.ts",
  name: "PRODUCTS_BASE64",
  memory: ["--importMemory"],
};

async function compile({ folder, source, memory }) {
  let bytes = null;
  const { error, stderr } = await asc.main(
    [
      source,
      "--baseDir",
      at(folder),
      "--outFile",
      "kernel.wasm",
      "--optimizeLevel",
      "3",
      "--shrinkLevel",
      "0",
      "--converge",
      "--noAssert",
      "--runtime",
      "stub",
      "--enable",
      "simd",
      ...memory,
    ],
    {
      writeFile: (name, contents) => {
        if (name.endsWith(".wasm")) bytes = contents;
      },
    },
  );
  if (error || !bytes) throw new Error(`${error?.message}\n${stderr}`);
  return Buffer.from(bytes);
}

/** The film's kernel, and that of products of blocks, compiled anew. */
export const compileKernel = () => compile(FILM);
export const compileProducts = () => compile(PRODUCTS);

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const kernel of [FILM, PRODUCTS]) {
    const bytes = await compile(kernel);
    writeFileSync(
      at(`${kernel.folder}/${kernel.bytes}`),
      `/** Compiled from ${kernel.source} by \`npm run kernel\`; do not edit. ${bytes.length} bytes. */\nexport const ${kernel.name} =\n  "${bytes.toString("base64")}";\n`,
    );
    console.log(`${kernel.source}: ${bytes.length} bytes`);
  }
