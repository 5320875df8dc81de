import type { StoredMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import type { Studio } from '../studio.ts';
import { changeMotif, insertMotif, motifFromSource } from '../store/motifs.ts';
import type { ReadOutcome } from '../work/tasks.ts';
import { refreshHolders } from './makeMotif.ts';
import { sniff } from './sniff.ts';

/** A motif and what there is to say about how it came. */
export interface Imported {
  readonly motif: StoredMotif;
  readonly notes: readonly string[];
}

/**
 * Turns a file into a motif of the drawer. A file that is there already is recognised by its content and not taken twice.
 *
 * @param known what of the motif is decided beforehand
 * @throws Problem
 */
export async function importMotif(
  studio: Studio,
  fileName: string,
  content: Uint8Array,
  collection: string,
  known: Partial<Pick<StoredMotif, 'id' | 'name' | 'width'>> = {},
): Promise<Imported> {
  const { database, blobs } = studio;
  const kind = sniff(content);
  const there = kind && (await motifFromSource(database, blobs.addressOf(content, kind)));
  if (there)
    return {
      motif: there,
      notes: [`“${shown(fileName)}” is in the drawer already, as “${there.name}”. It was not taken twice.`],
    };
  const { notes, ...read } = await readFile(studio, fileName, content);
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
  return { motif, notes };
}

/** Gives a motif other artwork, which shows wherever it is used; its name and its width stay. @throws Problem */
export async function replaceArtwork(
  studio: Studio,
  id: string,
  fileName: string,
  content: Uint8Array,
): Promise<Imported> {
  const { notes, artwork, view, inks, source, thumbnail } = await readFile(studio, fileName, content);
  const motif = await changeMotif(studio.database, id, { artwork, view, inks, source, thumbnail, recipe: null });
  await refreshHolders(studio, id);
  return { motif, notes };
}

/** Reads a file in a worker. @throws Problem */
export function readFile({ pool, blobs }: Studio, fileName: string, content: Uint8Array): Promise<ReadOutcome> {
  return pool.run({ kind: 'read', name: shown(fileName), content, blobs: blobs.folder });
}

function shown(fileName: string): string {
  return fileName.length > 60 ? `${fileName.slice(0, 57)}…` : fileName;
}

/** `reef-knot_2.svg` is called “Reef knot 2”. */
export function nameFrom(fileName: string): string {
  const base = (fileName.split(/[/\\]/).at(-1) ?? '')
    .replace(/\.[a-z0-9]+$/i, '')
    // eslint-disable-next-line no-control-regex -- control characters in a file's name are what is taken out
    .replace(/[\u0000-\u001f\u007f]+/g, '')
    .replace(/[-_\s]+/g, ' ')
    .trim()
    .slice(0, 120);
  return base ? base[0]?.toUpperCase() + base.slice(1) : 'Motif';
}
