import { extname } from 'node:path';
import type { ZipFile } from 'yazl';
import type { StoredMotif } from '../../contract/index.ts';
import { type Design, motifsNamedBy, type SwatchVersion } from '../../core/document/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { JobContext } from '../store/jobs.ts';
import { motifsById, motifsOfDesign } from '../store/motifs.ts';
import { readWholeSwatch } from '../store/swatches.ts';
import type { Studio } from '../studio.ts';
import { writeZip } from '../zip/writeZip.ts';
import { PACK_FORMAT, PACK_LIST, PACK_VERSION, type PackedMotif, type PackList, packPathOf } from './packFile.ts';

/** What goes into a pack, by ids. */
export interface PackWish {
  readonly swatches: readonly string[];
  readonly designs: readonly string[];
}

/**
 * Writes swatches with all their versions, designs, and everything that they are made of into one ZIP.
 *
 * @throws Problem 404 where one of them is not there
 */
export function writePack(studio: Studio, wish: PackWish, file: string, context: JobContext): Promise<void> {
  return writeZip(file, context.signal, (zip) => fillPack(studio, wish, zip, context));
}

async function fillPack(studio: Studio, wish: PackWish, zip: ZipFile, context: JobContext): Promise<void> {
  const { database, blobs } = studio;
  const designs = new Map<string, Design>();
  const motifs = new Map<string, StoredMotif>();
  const swatches: PackList['swatches'][number][] = [];
  const addDesign = async (design: Design): Promise<void> => {
    if (designs.has(design.id)) return;
    designs.set(design.id, design);
    for (const { deleted: _, ...motif } of await motifsOfDesign(database, design)) motifs.set(motif.id, motif);
  };

  for (const id of wish.designs) await addDesign((await studio.designs.read(id)).design);
  for (const [n, id] of wish.swatches.entries()) {
    const { swatch, versions } = await readWholeSwatch(database, id);
    const { name, book, tags, notes } = swatch;
    const folder = `swatches/${String(n + 1).padStart(2, '0')} ${cleanFileName(name, 'Swatch')}`;
    const packed = [];
    for (const [m, version] of versions.entries()) {
      context.signal.throwIfAborted();
      const { note, savedAt, designId, revision, design, tile, thumbnail } = version;
      const [tilePath, preview] = [
        `${folder}/tile ${m + 1}${extname(tile)}`,
        `${folder}/preview ${m + 1}${extname(thumbnail)}`,
      ] as const;
      zip.addFile(await blobs.soundPathOf(tile), tilePath, { compress: false });
      zip.addFile(await blobs.soundPathOf(thumbnail), preview, { compress: false });
      const kept = await motifsOfVersion(studio, version);
      packed.push({ note, savedAt, designId, revision, design, motifs: kept, tile: tilePath, preview });
    }
    // Opening a swatch opens the design that it came from, where that is still there.
    const origin = await studio.designs.find(versions.at(-1)?.designId ?? '');
    if (origin) await addDesign(origin.design);
    swatches.push({ id, name, book, tags, notes, versions: packed });
    context.progress((0.5 * (n + 1)) / wish.swatches.length);
  }

  const list = {
    format: PACK_FORMAT,
    version: PACK_VERSION,
    motifs: [...motifs.values()],
    designs: [...designs.values()],
    swatches,
  };
  zip.addBuffer(Buffer.from(JSON.stringify(list, undefined, 1)), PACK_LIST);
  const everyMotif = [...list.motifs, ...swatches.flatMap(({ versions }) => versions.flatMap((one) => one.motifs))];
  for (const address of await filesOf(studio, everyMotif, context))
    zip.addFile(await blobs.soundPathOf(address), packPathOf(address), { compress: /\.(json|svg)$/.test(address) });
}

/** The motifs of a version as they were; what only the drawer shows of them is of today where it was not kept. */
async function motifsOfVersion(studio: Studio, { motifs, design, thumbnail }: SwatchVersion): Promise<PackedMotif[]> {
  const used = new Set(motifsNamedBy(design));
  const kept = motifs.filter(({ id }) => used.has(id)) as readonly (Motif & Partial<StoredMotif>)[];
  const now = new Map(
    (
      await motifsById(
        studio.database,
        kept.map(({ id }) => id),
      )
    ).map((motif) => [motif.id, motif]),
  );
  return kept.map((motif) => ({ tags: [], thumbnail, ...now.get(motif.id), ...motif }));
}

/** The addresses of all files that motifs are made of, each once. */
async function filesOf(
  { blobs, pool }: Studio,
  motifs: readonly PackedMotif[],
  { signal }: JobContext,
): Promise<Set<string>> {
  const artworks = [...new Set(motifs.map(({ artwork }) => artwork))];
  const addresses = new Set(await pool.run({ kind: 'pictures', artworks, blobs: blobs.folder }, { signal }));
  for (const { artwork, source, thumbnail, recipe } of motifs) {
    const own = [artwork, source, thumbnail, ...(recipe ? addressesIn(recipe) : [])];
    for (const address of own) if (blobs.has(address)) addresses.add(address);
  }
  return addresses;
}

/** The files that a recipe names, and what its motif was made by before: a scan's picture, the artwork that was merged. */
function addressesIn(recipe: object): string[] {
  const before: unknown = 'before' in recipe ? recipe.before : undefined;
  return [
    ...Object.values(recipe).filter((value): value is string => typeof value === 'string' && Blobs.isAddress(value)),
    ...(typeof before === 'object' && before !== null ? addressesIn(before) : []),
  ];
}
