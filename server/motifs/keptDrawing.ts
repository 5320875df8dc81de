import { type Artwork, inksOf } from '../../core/motif/index.ts';
import type { Blobs } from '../store/blobs.ts';
import type { Drawing } from '../work/tasks.ts';
import { requirePaintable } from './requirePaintable.ts';

/**
 * Keeps artwork that can be painted, with a small picture of it.
 *
 * @param unit mm to a unit of the artwork
 * @throws Problem (422) where it cannot be painted
 */
export async function keptDrawing(artwork: Artwork, blobs: Blobs, unit = 1): Promise<Drawing> {
  const thumbnail = await requirePaintable(artwork, blobs);
  return {
    artwork: blobs.keep(JSON.stringify(artwork), 'json'),
    view: artwork.view,
    inks: inksOf(artwork),
    width: artwork.view.width * unit,
    thumbnail: blobs.keep(thumbnail, 'png'),
  };
}
