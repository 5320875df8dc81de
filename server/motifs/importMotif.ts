import { nanoid } from 'nanoid';
import type { Studio } from '../studio.ts';
import { insertMotif, type StoredMotif } from '../store/motifs.ts';

/** Reading a file is given up after this long. */
const LONGEST_READ_MS = 20_000;

/** A new motif and what there is to say about it. */
export interface Imported {
  readonly motif: StoredMotif;
  readonly notes: readonly string[];
}

/**
 * Turns a file into a motif of the drawer.
 *
 * @param known what of the motif is decided beforehand
 * @throws Problem
 */
export async function importMotif(
  { database, blobs, pool }: Studio,
  fileName: string,
  content: Uint8Array,
  collection: string,
  known: Partial<Pick<StoredMotif, 'id' | 'name' | 'width'>> = {},
): Promise<Imported> {
  const { artwork, notes, ...read } = await pool.run({ kind: 'read', name: shown(fileName), content, blobs: blobs.folder }, undefined, LONGEST_READ_MS);
  const motif: StoredMotif = { id: nanoid(12), name: nameFrom(fileName), collection, artwork: blobs.keep(JSON.stringify(artwork), 'json'), ...read, ...known };
  await insertMotif(database, motif);
  return { motif, notes };
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
