import { describe, expect, it } from 'vitest';
import { pathBounds } from '../../core/motif/index.ts';
import { FONT_IDS } from '../../core/recipe/index.ts';
import { letterer } from './letterer.ts';

const width = (path: string): number => {
  const box = pathBounds(path);
  return box ? box.right - box.left : 0;
};

describe('lettering', () => {
  it('is outlined about its own middle, in every font that ships', () => {
    for (const font of FONT_IDS) {
      const { left, right, top, bottom } = pathBounds(letterer(font, 'Ebb & flow', { size: 30 })) ?? {
        left: 1,
        right: 1,
        top: 1,
        bottom: 1,
      };
      expect(left + right, font).toBeCloseTo(0, 4);
      expect(top + bottom, font).toBeCloseTo(0, 4);
      expect(right - left, font).toBeGreaterThan(80);
    }
  });

  it('grows with its size and its spacing, by as much as each says', () => {
    for (const font of FONT_IDS) {
      const plain = width(letterer(font, 'tide', { size: 20 }));
      expect(width(letterer(font, 'tide', { size: 40 })), font).toBeCloseTo(2 * plain, 3);
      // Three gaps between four letters, a tenth of 20 mm each.
      expect(width(letterer(font, 'tide', { size: 20, spacing: 10 })), font).toBeCloseTo(plain + 6, 3);
    }
  });

  it('of nothing, or of spaces alone, is nothing', () => {
    expect(letterer('bench', '', { size: 20 })).toBe('');
    expect(letterer('bench', '   ', { size: 20 })).toBe('');
  });
});
