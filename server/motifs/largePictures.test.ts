import sharp, { type Sharp } from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

let hevrel: TestStudio;
beforeAll(async () => {
  hevrel = await openTestStudio();
});
afterAll(() => hevrel.close());

/** A picture with something in every place of it, so that it is as costly as a photograph. */
function grained(width: number, height: number): Sharp {
  const pixels = Buffer.alloc(width * height * 3);
  for (let at = 0, value = 1; at < pixels.length; at += 1) {
    value = (value * 1_103_515_245 + 12_345) & 0x7fffffff;
    pixels[at] = ((at >> 9) & 127) + (value >> 26);
  }
  return sharp(pixels, { raw: { width, height, channels: 3 } });
}

/** Minutes of work; `npm run soak -- pictures`. */
it.runIf(process.env['HEVREL_SOAK'])('a photograph of 48 megapixels comes in, and a picture of 98', async () => {
  for (const [name, width, height, file] of [
    ['camera.jpg', 8000, 6000, (picture: Sharp) => picture.jpeg({ quality: 90 })],
    ['wide.avif', 14_000, 7000, (picture: Sharp) => picture.avif({ effort: 0, quality: 40 })],
  ] as const) {
    const { status, body } = await hevrel.send(name, await file(grained(width, height)).toBuffer());
    expect([name, status, body['detail']]).toEqual([name, 201, undefined]);
  }
});
