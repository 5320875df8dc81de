import sharp from 'sharp';
import { pictureDifference } from '../../core/paint/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { CompareOutcome, CompareTask } from '../work/tasks.ts';

/** Longest side of the picture of where they differ, pixels. */
const LONG_SIDE = 1600;

/** Compares two tiles pixel by pixel, and keeps a picture of where they differ. */
export async function compareTiles({ from, to, blobs: folder }: CompareTask): Promise<CompareOutcome> {
  const blobs = new Blobs(folder);
  const read = (address: string) =>
    sharp(blobs.pathOf(address), { limitInputPixels: false }).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const [a, b] = await Promise.all([read(from), read(to)]);
  const { width, height } = a.info;
  if (width !== b.info.width || height !== b.info.height) return { changed: null, picture: null };
  const { changed, picture } = pictureDifference(a.data, b.data);
  const png = await sharp(picture, { raw: { width, height, channels: 4 } })
    .resize({ width: LONG_SIDE, height: LONG_SIDE, fit: 'inside', withoutEnlargement: true })
    .png({ compressionLevel: 6 })
    .toBuffer();
  return { changed, picture: blobs.keep(png, 'png') };
}
