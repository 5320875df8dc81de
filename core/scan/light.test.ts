import { describe, expect, it } from 'vitest';
import { evenLight } from './evenLight.ts';
import { applyLevels, histogram, levelTable, proposeLevels } from './levels.ts';
import { blankPixels } from './pixelImage.ts';
import { picture, pixel } from '../testing/scanFixtures.ts';

describe('levels', () => {
  it('take black, middle and white to 0, half and 255', () => {
    const table = levelTable({ black: 50, middle: 100, white: 200 });
    expect([table[0], table[50], table[100], table[200], table[255]]).toEqual([0, 0, 128, 255, 255]);
    expect(Array.from(levelTable({ black: 0, middle: 127.5, white: 255 }))).toEqual(
      Array.from({ length: 256 }, (_, n) => n),
    );
  });

  it('change every channel by the table and leave the opacity', () => {
    const grid = picture('or ');
    applyLevels(grid, { black: 0, middle: 64, white: 200 });
    const half = levelTable({ black: 0, middle: 64, white: 200 })[128];
    expect(pixel(grid, 0, 0)).toEqual([half, half, half, 255]);
    expect(pixel(grid, 1, 0)).toEqual([255, 0, 0, 255]);
    expect(pixel(grid, 2, 0)).toEqual([0, 0, 0, 0]);
  });

  it('are proposed between the ink and the paper', () => {
    const counts = histogram(picture('pppppppppp', 'pppp##pppp', 'pppppppppp'));
    const { black, white } = proposeLevels(counts);
    expect(black).toBe(0);
    expect(white).toBe(231);
    expect(counts.reduce((a, b) => a + b)).toBe(30);
  });
});

describe('uneven light', () => {
  it('is taken out of the paper, with the tint of it', () => {
    const grid = blankPixels(200, 200);
    for (let y = 0; y < 200; y += 1)
      for (let x = 0; x < 200; x += 1) grid.data.set([240 - x / 4, 230 - x / 4, 210 - x / 4, 255], (y * 200 + x) * 4);
    evenLight(grid);
    const all = Array.from({ length: 200 * 200 }, (_, n) => [...grid.data.slice(n * 4, n * 4 + 3)]).flat();
    expect(Math.max(...all) - Math.min(...all)).toBeLessThanOrEqual(7);
  });
});
