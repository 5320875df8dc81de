import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { IDENTITY } from '../geometry/index.ts';
import { type Artwork, artworkBounds, type GroupNode, Pen } from '../motif/index.ts';
import { MASK_DEEDS, type MaskArea } from '../recipe/index.ts';
import { LEAF } from '../testing/arbitraries.ts';
import { winding } from '../testing/winding.ts';
import { maskedArtwork } from './maskedArtwork.ts';

const box = (x: number, y: number, width: number, height: number): string =>
  new Pen()
    .move(x, y)
    .line(x + width, y)
    .line(x + width, y + height)
    .line(x, y + height)
    .close()
    .toString();

const anyArea = fc.record({
  deed: fc.constantFrom(...MASK_DEEDS),
  x: fc.integer({ min: -5, max: 35 }),
  y: fc.integer({ min: -5, max: 55 }),
  width: fc.integer({ min: 1, max: 40 }),
  height: fc.integer({ min: 1, max: 40 }),
});

/** What is seen of the artwork. */
const clipOf = ({ nodes }: Artwork): GroupNode => nodes[0] as GroupNode;

describe('a mask', () => {
  it('shows what its areas leave, one after the other, at every place', () => {
    fc.assert(
      fc.property(fc.array(anyArea, { minLength: 1, maxLength: 6 }), (areas) => {
        const mask = areas.map(({ deed, x, y, width, height }): MaskArea => ({ deed, path: box(x, y, width, height) }));
        const isSeen = (px: number, py: number): boolean =>
          areas.reduce((seen, { deed, x, y, width, height }) => {
            const isIn = px > x && px < x + width && py > y && py < y + height;
            return deed === 'hide' ? seen && !isIn : deed === 'show' ? seen || isIn : seen && isIn;
          }, true);
        let masked: Artwork;
        try {
          masked = maskedArtwork(LEAF, { areas: mask, softness: 0 });
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
          return;
        }
        const [shape] = clipOf(masked).clip ?? [];
        for (let px = 0.5; px < 40; px += 3)
          for (let py = 0.5; py < 60; py += 3) expect(winding(shape?.path ?? '', px, py) !== 0).toBe(isSeen(px, py));
      }),
      { numRuns: 60 },
    );
  });

  it('leaves the artwork within it untouched, and its view where it was', () => {
    const masked = maskedArtwork(LEAF, { areas: [{ deed: 'keep', path: box(20, 0, 20, 60) }], softness: 2 });
    expect(masked.view).toEqual(LEAF.view);
    expect(clipOf(masked).children).toBe(LEAF.nodes);
    // It fades over 2 units: half of them to each side of the edge, two standard deviations each.
    expect(clipOf(masked).softness).toBe(0.5);
    const seen = artworkBounds(masked.nodes, IDENTITY);
    expect(seen?.left).toBeCloseTo(20 - 1.5, 6);
    expect(maskedArtwork(LEAF, { areas: [], softness: 2 })).toBe(LEAF);
  });

  it('refuses to hide everything', () => {
    const everything: MaskArea = { deed: 'hide', path: box(-100, -100, 300, 300) };
    expect(() => maskedArtwork(LEAF, { areas: [everything], softness: 0 })).toThrow(RangeError);
    const elsewhere: MaskArea = { deed: 'keep', path: box(200, 200, 10, 10) };
    expect(() => maskedArtwork(LEAF, { areas: [elsewhere], softness: 0 })).toThrow(RangeError);
  });
});
