import { type Artwork, withPalette } from '../../core/motif/index.ts';
import type { TileRecipe } from '../../core/recipe/index.ts';
import type { PixelImage } from '../../core/scan/index.ts';
import { makeTile, tileRepeat, windowOf } from '../../core/tile/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { keptDrawing } from '../motifs/keptDrawing.ts';
import type { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import type { Drawing, TaskContext } from '../work/tasks.ts';
import { keepPixels, readPixels } from './pictureFile.ts';
import { orRefused } from './tileRefusal.ts';

/** What neighbours lie over each other, as a share of the cell's shorter side, so that no rounding leaves a gap. */
const BLEED = 0.01;

/**
 * Makes the motif that fills a cell with a picture.
 *
 * @param drawn content address of the same but for its palette, where there is one
 * @throws Problem
 */
export async function tileDrawing(
  recipe: TileRecipe,
  drawn: string | undefined,
  blobs: Blobs,
  context: TaskContext,
): Promise<Drawing> {
  if (drawn !== undefined && blobs.has(drawn))
    return keptDrawing(withPalette(await readArtwork(blobs, drawn), recipe.palette), blobs);
  const picture = await readPixels(recipe.picture, blobs);
  context.progress(0.15);
  const { pixels, cell } = orRefused(() =>
    makeTile(picture, recipe, { progress: (share) => context.progress(0.15 + 0.6 * share) }),
  );
  const { width, height } = tileRepeat(recipe);
  // What shows through would show twice where it lies twice.
  const bleed = isOpaque(pixels) ? Math.max(1, Math.ceil(BLEED * Math.min(cell.width, cell.height))) : 0;
  const [wide, high] = [cell.width + 2 * bleed, cell.height + 2 * bleed];
  const shown = windowOf(pixels, cell, -bleed, -bleed, wide, high);
  context.progress(0.8);
  const [across, down] = [width / cell.width, height / cell.height];
  const view = { x: -bleed * across, y: -bleed * down, width: wide * across, height: high * down };
  const blob = await keepPixels(shown, blobs, MM_PER_INCH / across);
  const artwork: Artwork = { version: 1, view, nodes: [{ kind: 'picture', blob, ...view }] };
  return keptDrawing(withPalette(artwork, recipe.palette), blobs);
}

function isOpaque({ data }: PixelImage): boolean {
  for (let at = 3; at < data.length; at += 4) if (data[at] !== 255) return false;
  return true;
}
