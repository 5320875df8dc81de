import { readFile } from 'node:fs/promises';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { isPdf } from '../motifs/sniff.ts';
import { Blobs } from '../store/blobs.ts';
import type { FlattenOutcome, FlattenTask } from '../work/tasks.ts';
import { flatPages } from './flatPages.ts';
import { flatTile } from './flatTile.ts';
import { keepPixels } from './pictureFile.ts';

/** Draws a file of vectors as pictures and keeps them with their density. @throws Problem */
export async function flatten({ name, file, fonts, blobs: folder }: FlattenTask): Promise<FlattenOutcome> {
  const blobs = new Blobs(folder);
  const content = await readFile(file);
  const flat = isPdf(content) ? flatPages(name, content) : [await flatTile(name, content, blobs, fonts)];
  const pictures: string[] = [];
  for await (const { pixels, width } of flat)
    pictures.push(await keepPixels(pixels, blobs, (pixels.width * MM_PER_INCH) / width));
  return { pictures };
}
