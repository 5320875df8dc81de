import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findTilt } from './findTilt.ts';
import { cropPixels, drawnBox, rotatePixels, rotateQuarters } from './orient.ts';
import { blankPixels } from './pixelImage.ts';
import { picture, pixel, shown } from '../testing/scanFixtures.ts';

describe('laying it straight', () => {
  it('turns by quarters without changing a pixel', () => {
    const grid = picture('#r', ' o', '.#');
    const once = rotateQuarters(grid, 1);
    expect([once.width, once.height]).toEqual([3, 2]);
    expect(pixel(once, 2, 0)).toEqual(pixel(grid, 0, 0));
    expect(pixel(once, 0, 1)).toEqual(pixel(grid, 1, 2));
    expect(rotateQuarters(rotateQuarters(once, 1), 2).data).toEqual(grid.data);
    expect(rotateQuarters(grid, 3).data).toEqual(rotateQuarters(rotateQuarters(grid, 2), 1).data);
  });

  it('turned by 90° by the free turn is the quarter turn', () => {
    const grid = picture('#r.', 'o.#');
    expect(rotatePixels(grid, 90).data).toEqual(rotateQuarters(grid, 1).data);
  });

  it('never tints an edge with what is see-through', () => {
    const grid = picture('    ', ' rr ', ' rr ', '    ');
    const { data } = rotatePixels(grid, 30);
    for (let i = 0; i < data.length; i += 4)
      if ((data[i + 3] as number) > 2) expect([data[i], data[i + 1], data[i + 2]]).toEqual([200, 0, 0]);
  });

  it('crops to whole pixels and refuses to crop to nothing', () => {
    expect(shown(cropPixels(picture('# #', ' # '), { left: 1, top: 0, right: 3, bottom: 2 }))).toEqual([' #', '# ']);
    expect(() => cropPixels(picture('##'), { left: 5, top: 5, right: 9, bottom: 9 })).toThrow(RangeError);
    expect(drawnBox(picture('   ', ' # ', '   '))).toEqual({ left: 1, top: 1, right: 2, bottom: 2 });
    expect(drawnBox(picture('  '))).toBeUndefined();
  });

  it('finds the tilt of ruled lines to a tenth of a degree', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), (tilt) => {
        const grid = blankPixels(500, 400);
        grid.data.fill(255);
        const slope = Math.tan((tilt * Math.PI) / 180);
        for (const y0 of [80, 200, 330]) {
          for (let x = 40; x < 460; x += 1) {
            for (let t = 0; t < 3; t += 1) {
              const y = Math.round(y0 + (x - 250) * slope) + t;
              if (y >= 0 && y < 400) grid.data.set([20, 20, 20], (y * 500 + x) * 4);
            }
          }
        }
        expect(Math.abs(findTilt(grid) + tilt)).toBeLessThan(0.12);
      }),
      { numRuns: 12 },
    );
  });

  it('lets a sheet without any line lie as it is', () => {
    const blank = blankPixels(100, 100);
    blank.data.fill(240);
    expect(findTilt(blank)).toBe(0);
    const disc = blankPixels(300, 300);
    disc.data.fill(255);
    for (let y = 0; y < 300; y += 1)
      for (let x = 0; x < 300; x += 1)
        if (Math.hypot(x - 150, y - 150) < 100) disc.data.set([0, 0, 0], (y * 300 + x) * 4);
    expect(Math.abs(findTilt(disc))).toBeLessThan(0.5);
  });
});
