import { type Artwork, artworkFault } from '../../core/motif/index.ts';
import { Problem } from '../problem.ts';
import type { Blobs } from '../store/blobs.ts';
import { paintThumbnail } from './trim.ts';

/** A small picture takes a few milliseconds of a processor; what takes longer than this would hold up every cloth that it lies on, ms. */
const MOST_MS = 4000;

/**
 * Makes sure that artwork can be painted, whatever it came in: everything that is kept went through here.
 *
 * @returns its small picture, PNG
 * @throws Problem (422) where it cannot, or not within any reasonable time
 */
export async function requirePaintable(artwork: Artwork, blobs: Blobs): Promise<Buffer> {
  const fault = artworkFault(artwork);
  if (fault !== undefined) throw unpaintable(fault);
  const before = process.cpuUsage();
  const thumbnail = await paintThumbnail(artwork, blobs);
  const { user, system } = process.cpuUsage(before);
  if ((user + system) / 1000 > MOST_MS) throw unpaintable('painting it takes too long');
  return thumbnail;
}

function unpaintable(why: string): Problem {
  return new Problem(
    422,
    'Too complicated',
    `The drawing cannot be painted: ${why}. Nothing was changed; simplify it and try again.`,
  );
}
