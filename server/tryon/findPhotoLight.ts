import sharp from 'sharp';
import { faceMap, photoLight } from '../../core/tryon/index.ts';
import { Blobs } from '../store/blobs.ts';
import type { PhotoLightTask } from './photoTask.ts';

/** Keeps a picture of a photograph's light on its marked faces. @returns its address */
export async function findPhotoLight({ photo, faces, blobs: folder }: PhotoLightTask): Promise<string> {
  const blobs = new Blobs(folder);
  const { data, info } = await sharp(await blobs.read(photo.blob))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const maps = faces.map((face) => ({ ...faceMap(face), face }));
  const at = new Float64Array(2);
  const isMarked = (pixel: number): boolean => {
    const [x, y] = [(pixel % info.width) + 0.5, Math.floor(pixel / info.width) + 0.5];
    return maps.some(({ toCloth, face: { width, height } }) => {
      if (!toCloth(x, y, at)) return false;
      const [u, v] = at as unknown as [number, number];
      return u >= 0 && u <= width && v >= 0 && v <= height;
    });
  };
  const light = photoLight(new Uint8ClampedArray(data.buffer, data.byteOffset, data.length), isMarked);
  const png = await sharp(Buffer.from(light.buffer), { raw: { width: info.width, height: info.height, channels: 4 } })
    .removeAlpha()
    .png()
    .toBuffer();
  return blobs.keep(png, 'png');
}
