/**
 * Compiles src/core/optics/kernel/assembly/film.ts and writes the bytes as film-kernel-bytes.ts. Run: npm run kernel
 */
import { writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import asc from "assemblyscript/asc";

const at = (path) => fileURLToPath(new URL(`../src/core/optics/kernel/${path}`, import.meta.url));

/** The kernel's bytes, compiled anew. */
export async function compileKernel() {
  let bytes = null;
  const { error, stderr } = await asc.main(
    [
      "assembly/film.ts",
      "--baseDir",
      at("."),
      "--outFile",
      "film.wasm",
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
      "--initialMemory",
      "16",
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

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const bytes = await compileKernel();
  writeFileSync(
    at("film-kernel-bytes.ts"),
    `/** Compiled from assembly/film.ts by \`npm run kernel\`; do not edit. ${bytes.length} bytes. */\nexport const FILM_KERNEL_BASE64 =\n  "${bytes.toString("base64")}";\n`,
  );
  console.log(`${bytes.length} bytes`);
}
