import { keptDrawing } from './keptDrawing.ts';
import { drawnArtwork } from '../../core/draw/index.ts';
import { bundleArtwork } from '../../core/bundle/index.ts';
import { type DrawnMotif, groupInks, inksOf, recolourArtwork, withPalette } from '../../core/motif/index.ts';
import { EmptyShapeError, shapeArtwork } from '../../core/shapes/index.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { DeriveTask, Drawing, TaskContext } from '../work/tasks.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import { scanDrawing } from '../scan/scanDrawing.ts';
import { letterer } from './letterer.ts';

/** Makes the artwork that a recipe describes, and keeps it with a small picture. @throws Problem */
export async function derive({ recipe, motifs, blobs: folder }: DeriveTask, context: TaskContext): Promise<Drawing> {
  const blobs = new Blobs(folder);
  const drawnMotifs = async (): Promise<Map<string, DrawnMotif>> => {
    const drawn = new Map<string, DrawnMotif>();
    for (const motif of motifs) drawn.set(motif.id, { motif, artwork: await blobs.readArtwork(motif.artwork) });
    return drawn;
  };
  switch (recipe.kind) {
    case 'bundle':
      return keptDrawing(bundleArtwork(recipe.parts, await drawnMotifs()), blobs);
    case 'vine':
      return keptDrawing(vineArtwork(recipe, await drawnMotifs()), blobs);
    case 'shape':
      try {
        return await keptDrawing(shapeArtwork(recipe, letterer), blobs);
      } catch (error) {
        throw error instanceof EmptyShapeError ? new Problem(422, 'Nothing to see', error.message) : error;
      }
    case 'drawn':
      try {
        return await keptDrawing(drawnArtwork(recipe), blobs);
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        throw new Problem(422, 'Nothing to see', `${capitalised(error.message)}. Nothing was changed; draw it again.`);
      }
    case 'merged': {
      if (!blobs.has(recipe.original))
        throw new Problem(
          422,
          'Not there',
          'The drawing whose inks are to be merged is not kept here. Nothing was changed.',
        );
      const original = await blobs.readArtwork(recipe.original);
      const { within, palette } = recipe;
      const inked = palette ? withPalette(original, palette) : original;
      return keptDrawing(recolourArtwork(inked, groupInks(inksOf(original), within)), blobs);
    }
    case 'scan':
      return scanDrawing(recipe, blobs, context);
  }
}

const capitalised = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
