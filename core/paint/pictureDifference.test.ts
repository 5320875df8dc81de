import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pictureDifference } from './pictureDifference.ts';

const anyPicture = fc.uint8Array({ minLength: 4, maxLength: 400 }).map((bytes) => bytes.slice(0, bytes.length & ~3));

describe('the difference of two pictures', () => {
  it('is none where they are equal, and counts each pixel that is not', () => {
    fc.assert(
      fc.property(anyPicture, fc.array(fc.nat()), (a, places) => {
        const b = a.slice();
        const pixels = a.length / 4;
        const changed = new Set(places.map((place) => place % pixels));
        for (const pixel of changed) b[4 * pixel + (pixel % 4)] = (b[4 * pixel + (pixel % 4)] as number) ^ 1;
        const { changed: share, picture } = pictureDifference(a, b);
        expect(share).toBeCloseTo(changed.size / pixels, 12);
        for (let pixel = 0; pixel < pixels; pixel += 1) {
          const [red, , blue] = picture.subarray(4 * pixel);
          // What is equal is paler than what marks a difference could ever be.
          expect(red === 0xb3 && blue === 0x2e).toBe(changed.has(pixel));
        }
      }),
    );
  });

  it('is not asked of pictures of different sizes', () => {
    expect(() => pictureDifference(new Uint8Array(4), new Uint8Array(8))).toThrow('expected 4 bytes, got 8');
  });
});
