import type { StoredMotif } from '../../contract/index.ts';
import { nanoid } from 'nanoid';
import { DEEPEST_BUNDLE, motifsIn, type Recipe } from '../../core/recipe/index.ts';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import { changeMotif, holdersOf, insertMotif, motifsById } from '../store/motifs.ts';
import { isSameJson } from '../store/sameJson.ts';
import type { Studio } from '../studio.ts';
import type { Drawing } from '../work/tasks.ts';

/** What of a new motif is decided by who makes it. */
export type NewMotif = Pick<StoredMotif, 'name' | 'collection'> &
  Partial<Pick<StoredMotif, 'id' | 'tags' | 'width' | 'source'>>;

/** Makes a motif by a recipe. @throws Problem */
export async function makeMotif(
  studio: Studio,
  given: NewMotif,
  recipe: Recipe,
  context?: JobContext,
): Promise<StoredMotif> {
  return keepMotif(studio, given, recipe, await drawnBy(studio, recipe, {}, context));
}

/** Keeps a drawing that was made by a recipe as a motif. */
export async function keepMotif(
  { database }: Studio,
  given: NewMotif,
  recipe: Recipe,
  drawing: Drawing,
): Promise<StoredMotif> {
  const motif: StoredMotif = { id: nanoid(12), tags: [], source: drawing.artwork, ...drawing, ...given, recipe };
  await insertMotif(database, motif);
  return motif;
}

/** Gives a motif another recipe: what it is shown by follows everywhere, its natural size by as much as it was changed before. @throws Problem */
export async function remakeMotif(
  studio: Studio,
  motif: StoredMotif,
  recipe: Recipe,
  context?: JobContext,
): Promise<StoredMotif> {
  const known = { id: motif.id, drawn: isRepainted(motif.recipe, recipe) ? motif.artwork : undefined };
  const { artwork, view, inks, thumbnail, width } = await drawnBy(studio, recipe, known, context);
  // Merging inks, moving points and hiding a part keep the artwork's own unit; all else is made in mm, times what its natural size was
  // changed by.
  const kinds = [motif.recipe?.kind, recipe.kind];
  const keepsUnit =
    kinds[0] === kinds[1] || recipe.kind === 'merged' || kinds.includes('points') || kinds.includes('masked');
  const grown = keepsUnit ? (motif.width / motif.view.width) * view.width : width;
  const changed = await changeMotif(studio.database, motif.id, {
    artwork,
    view,
    inks,
    thumbnail,
    recipe,
    width: grown,
  });
  await refreshHolders(studio, motif);
  return changed;
}

/**
 * Makes every bundle anew that a changed motif is in, and those that they are in; or changes nothing.
 *
 * @param before the motif as it was, which it is again where a bundle cannot be made of it any more
 * @throws Problem which says why that cannot be
 */
export async function refreshHolders(studio: Studio, before: StoredMotif): Promise<void> {
  try {
    await remakeHolders(studio, before.id);
  } catch (error) {
    await changeMotif(studio.database, before.id, before);
    await remakeHolders(studio, before.id);
    throw error;
  }
}

async function remakeHolders(studio: Studio, id: string): Promise<void> {
  for (const holder of await holdersOf(studio.database, id))
    if (holder.recipe) await remakeMotif(studio, holder, holder.recipe);
}

/** Whether a tile is the same but for its palette, so that its picture need not be made once more. */
function isRepainted(before: Recipe | null, after: Recipe): boolean {
  if (before?.kind !== 'tile' || after.kind !== 'tile') return false;
  return isSameJson({ ...before, palette: undefined }, { ...after, palette: undefined });
}

/** @param known the motif that is made anew, and what of it can be gone on with */
async function drawnBy(
  studio: Studio,
  recipe: Recipe,
  { id, drawn }: { readonly id?: string; readonly drawn?: string | undefined },
  context: JobContext | undefined,
): Promise<Drawing> {
  const motifs = await motifsById(studio.database, motifsIn(recipe));
  const missing = motifsIn(recipe).filter((one) => !motifs.some((motif) => motif.id === one));
  if (missing.length > 0)
    throw new Problem(
      422,
      'Not there',
      'A motif that this is made of is not in the studio. Nothing was changed; leave it out and try again.',
    );
  if (motifsIn(recipe).length > 0) await checkNesting(studio, motifs, id);
  return studio.pool.run({ kind: 'derive', recipe, motifs, drawn, blobs: studio.blobs.folder }, context);
}

/** Motifs may be made of motifs so deep, and never of themselves. @throws Problem */
async function checkNesting(
  { database }: Studio,
  parts: readonly StoredMotif[],
  id: string | undefined,
): Promise<void> {
  let level = parts;
  for (let depth = 1; level.length > 0; depth += 1) {
    const itself = level.find((motif) => motif.id === id);
    if (itself)
      throw new Problem(
        422,
        'A bundle in itself',
        `“${itself.name}” would lie in itself. Nothing was changed; take it out of the bundle first.`,
      );
    const inside = level.flatMap(({ recipe }) => motifsIn(recipe));
    if (inside.length > 0 && depth >= DEEPEST_BUNDLE) {
      throw new Problem(
        422,
        'Too deep',
        `Bundles lie in bundles at most ${DEEPEST_BUNDLE} deep, and this would be deeper. Nothing was changed; loosen one of them first.`,
      );
    }
    level = await motifsById(database, inside);
  }
}
