import { describe, expect, it } from 'vitest';
import { colourDifference } from '../colour/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { texture } from '../testing/textures.ts';
import { colourDrift } from './colourDrift.ts';
import { makeTile } from './makeTile.ts';

/** Sand that gets darker from top to bottom, down to a share of its light. */
function shaded(width: number, height: number, darkest: number): PixelImage {
  const picture = blankPixels(width, height);
  for (let n = 0; n < width * height; n += 1) {
    const light = 1 - ((1 - darkest) * Math.floor(n / width)) / (height - 1);
    picture.data.set([214 * light, 190 * light, 150 * light, 255], 4 * n);
  }
  return picture;
}

const joined = (picture: PixelImage, even = false) => {
  const { width, height } = picture;
  const frame = { x: width / 2, y: height / 2, width, height, rotation: 0 };
  const way = { kind: 'joined', step: SQUARE, overlap: 0.2, spread: true, even } as const;
  return makeTile(picture, { frame, width: 100, way });
};

describe('how far a joined picture is from itself', () => {
  it('is the mean difference of the pixels', () => {
    const [one, other] = [blankPixels(2, 2), blankPixels(2, 2)];
    one.data.set([10, 20, 30, 255, 200, 10, 0, 255, 0, 0, 0, 255, 90, 90, 90, 255]);
    other.data.set([255, 255, 255, 255, 30, 20, 10, 255, 5, 5, 5, 0, 90, 90, 90, 255]);
    const cell = { width: 2, height: 2, stacked: 'columns', drop: 0 } as const;
    // Each shows the pixel before it, and one of those is transparent.
    const drift = colourDrift(one, other, { cell, source: Int32Array.of(1, 2, 3, 0) });
    const apart = [
      colourDifference('#0a141e', '#1e140a'),
      colourDifference('#000000', '#5a5a5a'),
      colourDifference('#5a5a5a', '#ffffff'),
    ];
    expect(drift).toBeCloseTo(apart.reduce((a, b) => a + b) / 3, 9);
  });

  it('is none of what fits by itself, small for a texture, and large where top and bottom differ', () => {
    expect(joined(shaded(160, 120, 1)).drift).toBe(0);
    for (const n of [0, 7, 14]) expect(joined(texture(n, 220, 180)).drift).toBeLessThan(3);
    expect(joined(shaded(160, 120, 0.35)).drift).toBeGreaterThan(3);
    // Evening out the light takes away what differs, and is as far from the picture.
    expect(joined(shaded(160, 120, 0.35), true).drift).toBeGreaterThan(3);
  });
});
