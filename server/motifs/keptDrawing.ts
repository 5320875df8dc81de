import { type Artwork, inksOf } from '../../core/motif/index.ts';
import type { Blobs } from '../store/blobs.ts';
import type { Drawing } from '../work/tasks.ts';
import { paintThumbnail } from './trim.ts';

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
