import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { nanoid } from 'nanoid';
import wawoff2 from 'wawoff2';
import type { KnownFonts } from '../../core/svg/index.ts';
import type { Blobs } from '../store/blobs.ts';
import { writeDurably } from '../store/sync.ts';
import type { StudioFont } from '../work/tasks.ts';

const require = createRequire(import.meta.url);
const PARTS = ['latin-400-normal', 'latin-700-normal', 'latin-400-italic', 'latin-700-italic'];
/** The fonts that stand in for others, and which of their files there are. */
const SHIPPED: readonly { readonly family: string; readonly name: string; readonly parts: readonly string[] }[] = [
  {
    family: 'Hanken Grotesk',
    name: 'hanken-grotesk',
    parts: [...PARTS, 'latin-ext-400-normal', 'latin-ext-700-normal'],
  },
  { family: 'Young Serif', name: 'young-serif', parts: ['latin-400-normal', 'latin-ext-400-normal'] },
  { family: 'Caveat', name: 'caveat', parts: ['latin-400-normal', 'latin-700-normal', 'latin-ext-400-normal'] },
];
const STAND_INS: KnownFonts['standIns'] = {
  serif: 'Young Serif',
  'sans-serif': 'Hanken Grotesk',
  cursive: 'Caveat',
};

/** The fonts that drawings can be set in: those that ship with the app, and the studio's own. */
export function knownFonts(own: readonly StudioFont[]): KnownFonts {
  const families = [...SHIPPED, ...own].map(({ family }) => [family.toLowerCase(), family] as const);
  return { families: new Map(families), standIns: STAND_INS };
}

const unpacked = new Map<string, Promise<readonly string[]>>();

/** The shipped fonts as files that the engine reads, unpacked once in a process beside the blobs: they belong to no motif. */
export function shippedFontFiles(blobs: Blobs): Promise<readonly string[]> {
  const folder = join(dirname(blobs.folder), 'fonts');
  let files = unpacked.get(folder);
  if (!files) {
    files = unpackAll(folder);
    unpacked.set(folder, files);
    files.catch(() => unpacked.delete(folder));
  }
  return files;
}

async function unpackAll(folder: string): Promise<readonly string[]> {
  mkdirSync(folder, { recursive: true });
  const files: string[] = [];
  for (const { name, parts } of SHIPPED)
    for (const part of parts) {
      const packed = readFileSync(require.resolve(`@fontsource/${name}/files/${name}-${part}.woff2`));
      const file = join(folder, `${createHash('sha256').update(packed).digest('hex').slice(0, 16)}.ttf`);
      // Another process may do the same: each writes its own, and the last name given stands.
      if (!existsSync(file)) writeDurably(file, `${file}.draft-${nanoid(8)}`, await unpackWoff2(packed));
      files.push(file);
    }
  return files;
}

/** The font in a WOFF2 file. @throws Error where it is none */
export async function unpackWoff2(packed: Uint8Array): Promise<Buffer> {
  // The package hands out its own memory, which it writes over the next time.
  return Buffer.from(await wawoff2.decompress(packed));
}
