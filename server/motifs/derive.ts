import { keptDrawing } from './keptDrawing.ts';
import { combinedArtwork } from '../../core/combined/index.ts';
import { arrayParts, bundleArtwork } from '../../core/bundle/index.ts';
import {
  type Artwork,
  type DrawnMotif,
  groupInks,
  inksOf,
  recolourArtwork,
  withMovedPaths,
  withPalette,
} from '../../core/motif/index.ts';
import { maskedArtwork } from '../../core/mask/index.ts';
import { EmptyShapeError, shapeArtwork } from '../../core/shapes/index.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import type { DeriveTask, Drawing, TaskContext } from '../work/tasks.ts';
import { drawnArtwork } from '../../core/drawn/index.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import { scanDrawing } from '../scan/scanDrawing.ts';
import { tileDrawing } from '../scan/tileDrawing.ts';
import { letterer } from './letterer.ts';

/** Makes the artwork that a recipe describes, and keeps it with a small picture. @throws Problem */
export async function derive(
  { recipe, motifs, drawn: before, blobs: folder }: DeriveTask,
  context: TaskContext,
): Promise<Drawing> {
  const blobs = new Blobs(folder);
  const drawnMotifs = async (): Promise<Map<string, DrawnMotif>> => {
    const drawn = new Map<string, DrawnMotif>();
    for (const motif of motifs) drawn.set(motif.id, { motif, artwork: await readArtwork(blobs, motif.artwork) });
    return drawn;
  };
  switch (recipe.kind) {
    case 'array':
      return keptDrawing(bundleArtwork(arrayParts(recipe), await drawnMotifs()), blobs);
    case 'bundle': {
      const { parts, combining } = recipe;
      const drawn = await drawnMotifs();
      const artwork = combining
        ? drawnOrRefused(() => combinedArtwork(parts, combining, drawn), COMBINE_OTHERWISE)
        : bundleArtwork(parts, drawn);
      return keptDrawing(artwork, blobs);
    }
    case 'vine': {
      const drawn = await drawnMotifs();
      return keptDrawing(
        drawnOrRefused(() => vineArtwork(recipe, drawn)),
        blobs,
      );
    }
    case 'shape':
      try {
        return await keptDrawing(shapeArtwork(recipe, letterer), blobs);
      } catch (error) {
        throw error instanceof EmptyShapeError ? new Problem(422, 'Nothing to see', error.message) : error;
      }
    case 'drawn':
      return keptDrawing(
        drawnOrRefused(() => drawnArtwork(recipe)),
        blobs,
      );
    case 'points': {
      const original = await originalOf(recipe.original, blobs);
      return keptDrawing(
        drawnOrRefused(() => withMovedPaths(original, recipe.paths)),
        blobs,
      );
    }
    case 'masked': {
      const original = await originalOf(recipe.original, blobs);
      return keptDrawing(
        drawnOrRefused(() => maskedArtwork(original, recipe)),
        blobs,
      );
    }
    case 'merged': {
      const original = await originalOf(recipe.original, blobs);
      const { within, palette } = recipe;
      const inked = palette ? withPalette(original, palette) : original;
      return keptDrawing(recolourArtwork(inked, groupInks(inksOf(original), within)), blobs);
    }
    case 'tile':
      return tileDrawing(recipe, before, blobs, context);
    case 'scan':
      return scanDrawing(recipe, blobs, context);
  }
}

/** Artwork that a recipe begins with. @throws Problem where it is not kept here */
async function originalOf(address: string, blobs: Blobs): Promise<Artwork> {
  if (blobs.has(address)) {
    await blobs.touch(address);
    return readArtwork(blobs, address);
  }
  throw new Problem(422, 'Not there', 'The drawing that this is made of is not kept here. Nothing was changed.');
}

/** What to do where motifs cannot be combined. */
const COMBINE_OTHERWISE = 'lay them over each other, or combine them in another way';

/** What is drawn. @param advice what to do where it cannot be @throws Problem where there is nothing to see, or it cannot be read */
function drawnOrRefused(draw: () => Artwork, advice = 'draw it again'): Artwork {
  try {
    return draw();
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof SyntaxError)) throw error;
    const reason = error.message.charAt(0).toUpperCase() + error.message.slice(1);
    throw new Problem(422, 'Nothing to see', `${reason}. Nothing was changed; ${advice}.`);
  }
}
