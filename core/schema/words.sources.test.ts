import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const WORDS = join(ROOT, 'core/schema/words.ts');
/** An import that is there when the program runs, and not only for its types. */
const IMPORT = /^(?:import|export)\s+(?!type\s)(?:[^'";]*?\sfrom\s+)?'([^']+)'/gm;

const importsOf = new Map<string, readonly string[]>();
const sourceOf = (file: string): string => readFileSync(file, 'utf8');
function importsIn(file: string): readonly string[] {
  const known = importsOf.get(file) ?? [...sourceOf(file).matchAll(IMPORT)].map(([, from]) => from as string);
  importsOf.set(file, known);
  return known;
}

/** All files of ours that run before a file does. */
function before(file: string, seen = new Set<string>()): ReadonlySet<string> {
  for (const from of importsIn(file)) {
    const next = join(dirname(file), from);
    if (!from.startsWith('.') || !/\.tsx?$/.test(next) || seen.has(next)) continue;
    seen.add(next);
    before(next, seen);
  }
  return seen;
}

it('what schemas say is put into our words before any schema is made, in whatever order files are loaded', () => {
  const files = ['core', 'contract', 'server', 'web'].flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' }).map((path) => join(ROOT, folder, path)),
  );
  const making = files.filter(
    (file) => /\.tsx?$/.test(file) && !file.includes('.test.') && file !== WORDS && importsIn(file).includes('yup'),
  );
  expect(making.length).toBeGreaterThan(40);
  // Bundlers leave out what is imported for its effect alone, unless it is named here.
  const { sideEffects } = JSON.parse(sourceOf(join(ROOT, 'package.json'))) as { sideEffects: string[] };
  expect(sideEffects).toEqual(expect.arrayContaining(['core/schema/index.ts', 'core/schema/words.ts']));
  expect(making.filter((file) => !before(file).has(WORDS)).map((file) => relative(ROOT, file))).toEqual([]);
});
