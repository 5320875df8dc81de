import { cutText } from '../../core/schema/index.ts';
import type { ImportReport, StoredMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import { notFound, Problem } from '../problem.ts';
import { fontFiles } from '../store/fonts.ts';
import type { Studio } from '../studio.ts';
import { changeMotif, insertMotif, motifFromSource, motifsById } from '../store/motifs.ts';
import type { SourceFile } from '../store/sourceFile.ts';
import type { TaskOrder } from '../work/pool.ts';
import type { ReadOutcome } from '../work/tasks.ts';
import { refreshHolders } from './makeMotif.ts';
import { isPictureFile, sniffFile } from './sniff.ts';

/**
 * Turns a file into a motif of the drawer. A file that is there already is recognised by its content and not taken twice.
 *
 * @param known what of the motif is decided beforehand
 * @param context stops reading; nothing is added then
 * @throws Problem; Error where it is stopped
 */
export async function importMotif(
  studio: Studio,
  fileName: string,
  file: SourceFile,
  collection: string,
  known: Partial<Pick<StoredMotif, 'id' | 'name' | 'width'>> = {},
  context?: TaskOrder,
): Promise<ImportReport> {
  const { database } = studio;
  const kind = sniffFile(file.path);
  const there = kind && (await motifFromSource(database, `${file.sha256}.${kind}`));
  if (there && !(await isWhole(studio, there, context))) {
    const { artwork, source, thumbnail } = await readFile(studio, fileName, file.path, context);
    const motif = await changeMotif(database, there.id, { artwork, source, thumbnail });
    return { motif, notes: [`A file of “${there.name}” was damaged and is mended now.`], fonts: [] };
  }
  if (there)
    return {
      motif: there,
      notes: [`It is in the drawer already, as “${there.name}”. It was not taken twice.`],
      fonts: [],
    };
  const { notes, fonts, ...read } = await readFile(studio, fileName, file.path, context);
  context?.signal.throwIfAborted();
  const motif: StoredMotif = {
    id: nanoid(12),
    name: nameFrom(fileName),
    collection,
    tags: [],
    recipe: null,
    ...read,
    ...known,
  };
  await insertMotif(database, motif);
  return { motif, notes, fonts };
}

/** Whether all files of a motif are what they were. */
async function isWhole(
  { blobs, pool }: Studio,
  { artwork, source, thumbnail }: StoredMotif,
  context: TaskOrder | undefined,
): Promise<boolean> {
  for (const address of [artwork, source, thumbnail]) if (!(await blobs.isSound(address))) return false;
  const pictures = await pool.run({ kind: 'pictures', artworks: [artwork], blobs: blobs.folder }, context);
  for (const picture of pictures) if (!(await blobs.isSound(picture))) return false;
  return true;
}

/** Gives a motif other artwork, which shows wherever it is used; its name and its width stay. @throws Problem */
export async function replaceArtwork(
  studio: Studio,
  id: string,
  fileName: string,
  file: SourceFile,
  context?: TaskOrder,
): Promise<ImportReport> {
  const { notes, fonts, artwork, view, inks, source, thumbnail } = await readFile(studio, fileName, file.path, context);
  const [before] = await motifsById(studio.database, [id]);
  if (!before) throw notFound('motif');
  const motif = await changeMotif(studio.database, id, { artwork, view, inks, source, thumbnail, recipe: null });
  await refreshHolders(studio, before);
  return { motif, notes, fonts };
}

/** Reads a motif's own file again, with the fonts that the studio has now; its scale stays. @throws Problem */
export async function rereadMotif(studio: Studio, before: StoredMotif): Promise<ImportReport> {
  const { id, name, width, view, source, recipe } = before;
  if (recipe !== null || !/\.svgz?$/.test(source) || !studio.blobs.has(source))
    throw new Problem(
      422,
      'Nothing to read again',
      `“${name}” was not imported from a drawing, so there is no file to read again. Nothing was changed.`,
    );
  const read = await readFile(studio, name, await studio.blobs.soundPathOf(source));
  const { notes, fonts, artwork, inks, thumbnail } = read;
  const motif = await changeMotif(studio.database, id, {
    artwork,
    view: read.view,
    inks,
    thumbnail,
    width: (width / view.width) * read.view.width,
  });
  await refreshHolders(studio, before);
  return { motif, notes, fonts };
}

/** Reads a file in a process of the pool. @throws Problem */
async function readFile(
  { pool, blobs, database }: Studio,
  fileName: string,
  file: string,
  context?: TaskOrder,
): Promise<ReadOutcome> {
  const fonts = await fontFiles(database);
  const isPicture = isPictureFile(file);
  return pool.run({ kind: 'read', name: shown(fileName), file, isPicture, fonts, blobs: blobs.folder }, context);
}

function shown(fileName: string): string {
  return fileName.length > 60 ? `${cutText(fileName, 57)}…` : cutText(fileName, 60);
}

/** `reef-knot_2.svg` is called “Reef knot 2”. */
export function nameFrom(fileName: string): string {
  const base = (cutText(fileName, fileName.length).split(/[/\\]/).at(-1) ?? '')
    .replace(/\.[a-z0-9]+$/i, '')
    // oxlint-disable-next-line no-control-regex -- control characters in a file's name are what is taken out
    .replace(/[\u0000-\u001f\u007f]+/g, '')
    .replace(/[-_\s]+/g, ' ')
    .trim();
  return base ? cutText(base[0]?.toUpperCase() + base.slice(1), 120) : 'Motif';
}
