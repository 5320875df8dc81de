import { nanoid } from 'nanoid';
import type { StoredMotif } from '../../contract/index.ts';
import { replaceMotifs, type SwatchVersion } from '../../core/document/index.ts';
import { motifsIn, openRecipe } from '../../core/recipe/index.ts';
import { type Motif, naturalHeight } from '../../core/motif/index.ts';
import { insertMotif, motifsById } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

/** What a motif shows on the cloth. */
function isSame(a: Motif, b: Motif | undefined): boolean {
  return b !== undefined && a.artwork === b.artwork && a.width === b.width && naturalHeight(a) === naturalHeight(b);
}

/**
 * Opens the design of a swatch as it was when it was saved: the one it came from where neither that nor any of its
 * motifs has changed since, else a copy, in which motifs that look different today are kept ones of their own.
 */
export async function openVersion(
  studio: Studio,
  name: string,
  { designId, revision, design, motifs, thumbnail }: SwatchVersion,
): Promise<{ readonly design: string; readonly copied: boolean }> {
  const used = new Set(design.placements.map(({ motif }) => motif));
  const now = new Map((await motifsById(studio.database, [...used])).map((motif) => [motif.id, motif]));
  const changed = motifs.filter((motif) => used.has(motif.id) && !isSame(motif, now.get(motif.id)));
  const origin = await studio.designs.find(designId);
  if (origin?.revision === revision && changed.length === 0) return { design: designId, copied: false };
  const copies = new Map<string, string>();
  for (const motif of changed) {
    const copy = nanoid(12);
    copies.set(motif.id, copy);
    await insertMotif(studio.database, {
      thumbnail,
      tags: [],
      // Swatches keep motifs as the drawer stored them, with what only it shows.
      ...(motif as Motif & Partial<StoredMotif>),
      id: copy,
      // What is made of other motifs would be made again from parts that have changed.
      recipe: motif.recipe === null || motifsIn(motif.recipe).length > 0 ? null : openRecipe(motif.recipe),
    });
  }
  const { design: copy } = await studio.designs.insert({ ...replaceMotifs(design, copies), id: nanoid(12), name });
  return { design: copy.id, copied: true };
}
