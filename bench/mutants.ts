/**
 * Small changes to the computation that a test should notice: one at a time, in a copy of the house, with the tests of
 * the changed part of core, and then of the others that hang on it. Prints those that nobody noticed, and the share
 * that was.
 * Run: npm run mutants; with a part of a path behind it, those of these files alone ("core/mud", "meetings"); with
 * "--most 60" and "--seed 7" another number of them, or others. A change by hand is tried with
 * "--only FILE:NAME=VALUE".
 */
import { execFileSync, spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, relative } from "node:path";
import { parseArgs } from "node:util";
import ts from "typescript";
import { seededRandom } from "@/core/numeric/random";

/** Where a wrong number is not seen. */
const PARTS = ["darks", "mixing", "mud", "palette", "planning", "variations"].map((part) => `src/core/${part}`);
/** A test that hangs has noticed too. */
const LONGEST_MS = 240_000;

interface Mutant {
  readonly file: string;
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** The line it stands in, and what is done to it. */
  readonly told: string;
}

const SWAPPED: Readonly<Record<string, string>> = {
  "<": ">=",
  ">": "<=",
  "<=": ">",
  ">=": "<",
  "===": "!==",
  "!==": "===",
  "&&": "||",
  "||": "&&",
  "+": "-",
  "-": "+",
  "*": "/",
  "/": "*",
};

const isText = (node: ts.Node): boolean =>
  ts.isStringLiteralLike(node) ||
  ts.isTemplateExpression(node) ||
  (ts.isBinaryExpression(node) && (isText(node.left) || isText(node.right)));

/** All small changes to a file: constants ten times as large, comparisons and signs turned round, least for most. */
function mutantsOf(file: string): readonly Mutant[] {
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  const found: Mutant[] = [];
  const add = (node: ts.Node, text: string): void => {
    const { line } = source.getLineAndCharacterOfPosition(node.getStart());
    const told = `${relative(".", file)}:${line + 1}  ${node.getText()} -> ${text}`;
    found.push({ file, from: node.getStart(), to: node.getEnd(), text, told });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isVariableDeclaration(node) && node.initializer && ts.isNumericLiteral(node.initializer))
      add(node.initializer, node.initializer.text === "0" ? "10" : `(10 * ${node.initializer.text})`);
    if (ts.isBinaryExpression(node) && !isText(node)) {
      const swapped = SWAPPED[node.operatorToken.getText()];
      if (swapped) add(node.operatorToken, swapped);
    }
    if (ts.isPropertyAccessExpression(node) && node.expression.getText() === "Math") {
      if (node.name.text === "min") add(node.name, "max");
      if (node.name.text === "max") add(node.name, "min");
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** A change by hand: a constant's other value. */
function byHand(asked: string): Mutant {
  const [, file, name, value] = /^([^:]+):(\w+)=(.+)$/.exec(asked) ?? [];
  if (!file || !name || !value) throw new Error(`"${asked}" is no FILE:NAME=VALUE.`);
  const source = ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);
  let found: Mutant | null = null;
  const visit = (node: ts.Node): void => {
    const own = ts.isVariableDeclaration(node) || ts.isPropertyAssignment(node) ? node.initializer : undefined;
    if (own && "name" in node && (node.name as ts.Node).getText() === name)
      found ??= { file, from: own.getStart(), to: own.getEnd(), text: value, told: `${file}  ${name} = ${value}` };
    ts.forEachChild(node, visit);
  };
  visit(source);
  if (!found) throw new Error(`${file} declares no ${name}.`);
  return found;
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return filesIn(path);
    return /\.ts$/.test(name) && !/\.test\.ts$|^index\.ts$/.test(name) ? [path] : [];
  });

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    most: { type: "string", default: "40" },
    seed: { type: "string", default: "1" },
    only: { type: "string", multiple: true, default: [] },
  },
});

const all = PARTS.flatMap(filesIn)
  .filter((file) => positionals.length === 0 || positionals.some((part) => file.includes(part)))
  .flatMap(mutantsOf);
const random = seededRandom(Number(values.seed));
const tried =
  values.only.length > 0
    ? values.only.map(byHand)
    : all
        .map((mutant) => ({ mutant, at: random() }))
        .sort((a, b) => a.at - b.at)
        .slice(0, Number(values.most))
        .map(({ mutant }) => mutant);

const copy = mkdtempSync(join(tmpdir(), "abendrot-mutants-"));
process.on("exit", () => rmSync(copy, { recursive: true, force: true }));
for (const path of execFileSync("git", ["ls-files"], { encoding: "utf8" }).trim().split("\n"))
  cpSync(path, join(copy, path), { recursive: true });
symlinkSync(join(process.cwd(), "node_modules"), join(copy, "node_modules"));

console.log(`${tried.length} of ${values.only.length > 0 ? tried.length : all.length} small changes`);
let noticed = 0;
for (const { file, from, to, text, told } of tried) {
  const before = readFileSync(file, "utf8");
  writeFileSync(join(copy, file), before.slice(0, from) + text + before.slice(to));
  const passes = (folders: readonly string[]): boolean =>
    spawnSync(process.execPath, ["node_modules/vitest/vitest.mjs", "run", ...folders, "--bail=1", "--reporter=dot"], {
      cwd: copy,
      timeout: LONGEST_MS,
      stdio: "ignore",
    }).status === 0;
  const own = file.split("/").slice(0, 3).join("/");
  const unnoticed = passes([`${own}/`]) && passes(PARTS.filter((part) => part !== own).map((part) => `${part}/`));
  writeFileSync(join(copy, file), before);
  if (unnoticed) console.log(`unnoticed: ${told}`);
  else noticed++;
}
console.log(`${noticed} of ${tried.length} noticed, ${Math.round((100 * noticed) / tried.length)} %`);
