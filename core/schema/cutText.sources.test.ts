import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const CUTTING = new Set(['slice', 'substring', 'substr']);
/** Calls that are exempt: what they cut is ASCII, be it a hash, a date or what was read as Latin-1. */
const IS_ASCII =
  /digest\('hex'\)|toISOString\(\)|\baddress\b|\bmadeAt\b|\bsha256\b|\bpicture\.slice\(0, picture\.indexOf|textOf\(|escaped\(|\btext\.slice\(\d+, \d+\) [=!]==|\(text\.slice\(8, 32\)/;

/** Whether an expression is a length that somebody decided on, and no place found in the text. */
function isLength(node: ts.Expression | undefined): boolean {
  if (!node) return false;
  if (ts.isNumericLiteral(node)) return true;
  if (ts.isIdentifier(node)) return /^[A-Z][A-Z_]+$/.test(node.text);
  return ts.isBinaryExpression(node) && isLength(node.left) && isLength(node.right);
}

interface Cut {
  readonly file: string;
  readonly position: number;
  readonly line: number;
  readonly text: string;
}

/** Every place of a file where something, be it text or a list, is cut to a length. */
function cutsIn(file: string): Cut[] {
  const content = readFileSync(file, 'utf8');
  if (!/\.(?:slice|substring|substr)\(/.test(content)) return [];
  const source = ts.createSourceFile(file, content, ts.ScriptTarget.ES2023, true);
  const cuts: Cut[] = [];
  const visit = (node: ts.Node): void => {
    if (
      ts.isCallExpression(node) &&
      ts.isPropertyAccessExpression(node.expression) &&
      CUTTING.has(node.expression.name.text) &&
      isLength(node.arguments[1])
    ) {
      const { line } = source.getLineAndCharacterOfPosition(node.expression.name.getStart());
      const text = (content.split('\n')[line] ?? '').trim();
      if (!IS_ASCII.test(text)) cuts.push({ file, position: node.expression.name.getStart(), line: line + 1, text });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return cuts;
}

/** Those of them that cut text. */
function ofText(cuts: readonly Cut[]): string[] {
  const options = {
    ...ts.parseJsonConfigFileContent(CONFIG.config, ts.sys, ROOT).options,
    jsx: ts.JsxEmit.ReactJSX,
    lib: ['lib.es2023.d.ts'],
    types: [],
  };
  const program = ts.createProgram([...new Set(cuts.map(({ file }) => file))], options);
  const checker = program.getTypeChecker();
  return cuts.flatMap(({ file, position, line, text }) => {
    const source = program.getSourceFile(file);
    let found: ts.Node | undefined;
    const visit = (node: ts.Node): void => {
      if (position < node.pos || position >= node.end) return;
      if (ts.isPropertyAccessExpression(node) && node.name.getStart() === position) found = node.expression;
      ts.forEachChild(node, visit);
    };
    if (source) visit(source);
    if (!found) throw new Error(`${file}:${line} is not in the program`);
    const isText = (checker.getTypeAtLocation(found).flags & ts.TypeFlags.StringLike) !== 0;
    return isText ? [`${relative(ROOT, file)}:${line} ${text}`] : [];
  });
}

const CONFIG = ts.readConfigFile(join(ROOT, 'tsconfig.json'), (path) => readFileSync(path, 'utf8'));
const sources = (): string[] =>
  ['core', 'contract', 'server', 'web'].flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
      .filter((name) => /\.tsx?$/.test(name) && !/\.test\.tsx?$|(?:^|\/)testing\//.test(name))
      .map((name) => join(ROOT, folder, name)),
  );

describe('text', () => {
  it('is cut to a length by cutText alone', () => {
    const cuts = sources().flatMap(cutsIn);
    expect(cuts.length).toBeGreaterThan(20);
    expect(ofText(cuts)).toEqual([]);
  });
});
