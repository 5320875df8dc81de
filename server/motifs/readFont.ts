import { cutText } from '../../core/schema/index.ts';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Font, parse as parseFont } from 'opentype.js';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { FontOutcome, FontTask } from '../work/tasks.ts';
import { unpackWoff2 } from './shippedFonts.ts';

// Node takes the package's older form, whose names an import does not see.
const require = createRequire(import.meta.url);
const { parse } = require('opentype.js') as { parse: typeof parseFont };

const MOST_NAME = 120;

/** Reads a TTF, OTF or WOFF2 file and keeps it unpacked. @throws Problem */
export async function readFont({ name, file: path, blobs: folder }: FontTask): Promise<FontOutcome> {
  const bytes = await readFile(path);
  const kind = bytes.toString('latin1', 0, 4);
  if (!['\0\x01\0\0', 'true', 'OTTO', 'wOF2'].includes(kind))
    throw new Problem(
      415,
      'Not a font',
      `“${name}” is not a TTF, OTF or WOFF2 font. Nothing was added; choose another file.`,
    );
  try {
    const file = kind === 'wOF2' ? await unpackWoff2(bytes) : bytes;
    const font = parse(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength));
    const family = named(font, 'preferredFamily') ?? named(font, 'fontFamily');
    if (family === undefined) throw new Error('it has no name');
    const style = named(font, 'preferredSubfamily') ?? named(font, 'fontSubfamily') ?? 'Regular';
    return { family, style, file: new Blobs(folder).keep(file, 'ttf') };
  } catch {
    throw new Problem(
      422,
      'Cannot be read',
      `“${name}” is damaged, or no font that can be read. Nothing was added; choose another file.`,
    );
  }
}

/** A name that the font gives itself, in English where it has several. */
function named(font: Font, key: string): string | undefined {
  // The package's types have the names by language; its newer form has them by platform first.
  const names = font.names as unknown as Readonly<Record<string, Readonly<Record<string, unknown>> | undefined>>;
  const tables = [names, names['windows'], names['macintosh'], names['unicode']];
  for (const table of tables) {
    const byLanguage = table?.[key] as Readonly<Record<string, unknown>> | undefined;
    const name = byLanguage?.['en'] ?? Object.values(byLanguage ?? {})[0];
    if (typeof name === 'string' && name.trim() !== '') return cutText(name.trim(), MOST_NAME);
  }
  return undefined;
}
