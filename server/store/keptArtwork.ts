import { LRUCache } from 'lru-cache';
import { type Artwork, artworkSchema } from '../../core/motif/index.ts';
import type { Blobs } from './blobs.ts';

/** So many addresses are remembered; of the others it is looked at again. */
const MOST_REMEMBERED = 20_000;
/** Addresses that were found to hold artwork: what lies under one never changes, and checking takes longer than reading. */
const checked = new LRUCache<string, true>({ max: MOST_REMEMBERED });

/**
 * The artwork kept at an address. For processes of the pool alone, which the structure check sees to: that of a large drawing takes
 * a second to be checked, and everybody would wait for it.
 *
 * @throws ValidationError where what lies there is no artwork; Problem 500 where the file is damaged
 */
export async function readArtwork(blobs: Pick<Blobs, 'read'>, address: string): Promise<Artwork> {
  const json: unknown = JSON.parse((await blobs.read(address)).toString('utf8'));
  if (checked.has(address)) return json as Artwork;
  const artwork = await artworkSchema.validate(json, { strict: true });
  checked.set(address, true);
  return artwork;
}
