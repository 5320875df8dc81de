import { bundleArtwork } from '../../core/bundle/index.ts';
import { type Artwork, groupInks, inksOf, recolourArtwork } from '../../core/motif/index.ts';
import type { DrawnMotif } from '../../core/paint/index.ts';
import { EmptyShapeError, shapeArtwork } from '../../core/shapes/index.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { DeriveTask, Drawing, TaskContext } from '../work/tasks.ts';
import { scanDrawing } from '../scan/scanDrawing.ts';
import { letterer } from './letterer.ts';
import { paintThumbnail } from './trim.ts';

/** Makes the artwork that a recipe describes, and keeps it with a small picture. @throws Problem */
export async function derive({ recipe, motifs, blobs: folder }: DeriveTask, hands: TaskContext): Promise<Drawing> {
  const blobs = new Blobs(folder);
  switch (recipe.kind) {
    case 'bundle': {
      const drawn = new Map<string, DrawnMotif>();
      for (const motif of motifs) drawn.set(motif.id, { motif, artwork: await blobs.readJson<Artwork>(motif.artwork) });
      return keptDrawing(bundleArtwork(recipe.parts, drawn), blobs);
    }
    case 'shape':
      try {
        return await keptDrawing(shapeArtwork(recipe, letterer), blobs);
      } catch (error) {
        throw error instanceof EmptyShapeError ? new Problem(422, 'Nothing to see', error.message) : error;
      }
    case 'merged': {
      if (!blobs.has(recipe.original))
        throw new Problem(
          422,
          'Not there',
          'The drawing whose inks are to be merged is not kept here. Nothing was changed.',
        );
      const original = await blobs.readJson<Artwork>(recipe.original);
      return keptDrawing(recolourArtwork(original, groupInks(inksOf(original), recipe.within)), blobs);
    }
    case 'scan':
      return scanDrawing(recipe, blobs, hands);
  }
}

/**
 * Keeps artwork with a small picture of it.
 *
 * @param unit mm to a unit of the artwork
 */
export async function keptDrawing(artwork: Artwork, blobs: Blobs, unit = 1): Promise<Drawing> {
  return {
    artwork: blobs.keep(JSON.stringify(artwork), 'json'),
    view: artwork.view,
    inks: inksOf(artwork),
    width: artwork.view.width * unit,
    thumbnail: blobs.keep(await paintThumbnail(artwork, blobs), 'png'),
  };
}
