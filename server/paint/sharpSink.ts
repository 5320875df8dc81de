import { open, rm } from 'node:fs/promises';
import sharp, { type Sharp } from 'sharp';
import type { RasterFormatName } from '../../core/export/index.ts';
import { scratchTiff } from './scratchTiff.ts';
import type { PictureFacts, Sink } from './sink.ts';
import { scratchOf } from './unfinished.ts';
import { xmpPacket } from './xmp.ts';

/** Of larger pictures the best codes are not looked for, since all of a picture is held for that; pixels. */
const MOST_HELD = 1 << 26;

type Encoder = (picture: Sharp, pixels: number) => Sharp;
const ENCODERS: { readonly [F in Exclude<RasterFormatName, 'png'>]: Encoder } = {
  jpeg: (picture, pixels) =>
    picture.jpeg({ quality: 94, chromaSubsampling: '4:4:4', optimiseCoding: pixels <= MOST_HELD }),
  webp: (picture) => picture.webp({ lossless: true, exact: true, effort: 2 }),
  tiff: (picture) => picture.tiff({ compression: 'deflate', predictor: 'horizontal' }),
};

/** Opens a JPEG, WebP or TIFF for writing: painted onto the disk first, since their encoders want to ask for rows themselves. */
export async function sharpSink(
  file: string,
  facts: PictureFacts,
  format: Exclude<RasterFormatName, 'png'>,
): Promise<Sink> {
  const scratch = scratchOf(file);
  const rows = await scratchTiff(scratch, facts);
  return {
    write: rows.write,
    abandon: rows.abandon,
    async end() {
      await rows.end();
      const picture = sharp(scratch, { limitInputPixels: false, sequentialRead: true, ignoreIcc: true })
        .withIccProfile('srgb')
        .withMetadata({ density: facts.density })
        .withXmp(xmpPacket(facts.title));
      await ENCODERS[format](picture, facts.width * facts.height).toFile(file);
      await rm(scratch);
      const handle = await open(file, 'r+');
      await handle.sync();
      await handle.close();
    },
  };
}
