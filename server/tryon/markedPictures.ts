import sharp from 'sharp';
import {
  faceMap,
  type MarkedFace,
  type MarkedPictures,
  type MaskedPhoto,
  maskOf,
  photoLight,
} from '../../core/tryon/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { MarkedTask } from './photoTask.ts';

/** Keeps pictures of a photograph's light on its marked faces, and of their masks. @returns their addresses */
export async function markedPictures({ photo, faces, blobs: folder }: MarkedTask): Promise<MarkedPictures> {
  const blobs = new Blobs(folder);
  const { data, info } = await sharp(await blobs.read(photo.blob))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const pixels = { data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length), scale: 1 };
  const { width, height } = info;
  const masks: Record<string, string> = {};
  for (const { id, mask } of faces)
    if (mask && mask.length > 0) masks[id] = await maskPicture(blobs, { ...pixels, width, height }, mask);
  return { light: await lightPicture(blobs, { ...pixels, width, height }, faces), masks };
}

async function lightPicture(
  blobs: Blobs,
  { data, width: wide, height: high }: MaskedPhoto,
  faces: readonly MarkedFace[],
): Promise<string> {
  const maps = faces.map(({ face }) => ({ ...faceMap(face), face }));
  const at = new Float64Array(2);
  const isMarked = (pixel: number): boolean => {
    const [x, y] = [(pixel % wide) + 0.5, Math.floor(pixel / wide) + 0.5];
    return maps.some(({ toCloth, face: { width, height } }) => {
      if (!toCloth(x, y, at)) return false;
      const [u, v] = at as unknown as [number, number];
      return u >= 0 && u <= width && v >= 0 && v <= height;
    });
  };
  const light = photoLight(data, isMarked);
  const png = await sharp(Buffer.from(light.buffer), { raw: { width: wide, height: high, channels: 4 } })
    .removeAlpha()
    .png()
    .toBuffer();
  return blobs.keep(png, 'png');
}

/** What a mask shows, as the opacity of black. */
async function maskPicture(blobs: Blobs, photo: MaskedPhoto, steps: NonNullable<MarkedFace['mask']>): Promise<string> {
  const { width, height } = photo;
  const shown = maskOf(steps, photo);
  const pixels = Buffer.alloc(4 * shown.length);
  shown.forEach((alpha, pixel) => (pixels[4 * pixel + 3] = alpha));
  const png = await sharp(pixels, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
  return blobs.keep(png, 'png');
}
