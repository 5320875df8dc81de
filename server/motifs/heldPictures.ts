import { picturesOf } from '../../core/motif/index.ts';
import { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import type { PicturesTask } from './picturesTask.ts';

/** The addresses of all pictures that artworks hold, each once. @throws Problem 500 where an artwork is damaged */
export async function heldPictures({ artworks, blobs: folder }: PicturesTask): Promise<readonly string[]> {
  const blobs = new Blobs(folder);
  const pictures = new Set<string>();
  for (const address of artworks)
    for (const picture of picturesOf(await readArtwork(blobs, address))) pictures.add(picture);
  return [...pictures];
}
