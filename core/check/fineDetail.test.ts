import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newPlacement } from '../document/index.ts';
import { channels, type Hex } from '../colour/index.ts';
import { findFineDetail, labelEdges, leastScale, thinnestLine, thinnestPart } from './fineDetail.ts';

const SIDE = 120;

/** Labels of a picture, by what says whether a place is drawn. */
function picture(isDrawn: (x: number, y: number) => boolean): Uint8Array {
  return Uint8Array.from({ length: SIDE * SIDE }, (_, n) => (isDrawn(n % SIDE, Math.floor(n / SIDE)) ? 1 : 0));
}

describe('the thinnest line', () => {
  it('is measured to within a place, at any angle, where it is thinner than what is looked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 7, noNaN: true }),
        fc.double({ min: 0, max: 180, noNaN: true }),
        (wide, angle) => {
          const radians = (angle * Math.PI) / 180;
          const labels = picture((x, y) => {
            const across = (x - 60) * Math.sin(radians) - (y - 60) * Math.cos(radians);
            const along = (x - 60) * Math.cos(radians) + (y - 60) * Math.sin(radians);
            return Math.abs(across) <= wide / 2 && Math.abs(along) < 50;
          });
          const found = thinnestPart(labels, SIDE, SIDE, 1, 9);
          expect(found).toBeDefined();
          expect(Math.abs((found as number) - wide)).toBeLessThan(1.6);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is none in what is broad: squares with sharp corners, discs, and points that taper', () => {
    expect(
      thinnestPart(
        picture((x, y) => x > 20 && x < 90 && y > 20 && y < 90),
        SIDE,
        SIDE,
        1,
        6,
      ),
    ).toBeUndefined();
    expect(
      thinnestPart(
        picture((x, y) => (x - 60) ** 2 + (y - 60) ** 2 < 40 ** 2),
        SIDE,
        SIDE,
        1,
        6,
      ),
    ).toBeUndefined();
    // A leaf: two arcs that meet in points.
    const leaf = picture((x, y) => (x - 60) ** 2 + (y - 110) ** 2 < 70 ** 2 && (x - 60) ** 2 + (y - 10) ** 2 < 70 ** 2);
    expect(thinnestPart(leaf, SIDE, SIDE, 1, 6)).toBeUndefined();
    expect(thinnestPart(new Uint8Array(SIDE * SIDE), SIDE, SIDE, 1, 6)).toBeUndefined();
  });

  it('is found in each ink, also where another ink surrounds it', () => {
    const labels = picture(() => true);
    for (let x = 10; x < 100; x++) for (let y = 40; y < 43; y++) labels[y * SIDE + x] = 2;
    expect(thinnestPart(labels, SIDE, SIDE, 2, 6)).toBeCloseTo(3.5, 1);
    expect(thinnestPart(labels, SIDE, SIDE, 2, 3)).toBeUndefined();
  });
});

describe('labels along edges', () => {
  const colour = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);

  it('are of the inks that meet there, though the mixture is nearer to another', () => {
    fc.assert(
      fc.property(fc.uniqueArray(colour, { minLength: 3, maxLength: 6 }), (inks) => {
        const [a, b] = [channels(inks[0] as Hex), channels(inks[1] as Hex)];
        // A mixture that is another ink, but for rounding, is taken for that ink.
        const mixture = a.map((channel, n) => (channel + (b[n] as number)) / 2);
        const isOther = (ink: Hex): boolean =>
          channels(ink).every((channel, n) => Math.abs(channel - (mixture[n] as number)) <= 4);
        fc.pre(!inks.slice(2).some(isOther));
        // Two halves with one mixed column between them.
        const share = (x: number): number => (x < 4 ? 1 : x === 4 ? 0.5 : 0);
        const pixels = Uint8ClampedArray.from({ length: 9 * 9 * 4 }, (_, n) => {
          const [x, channel] = [Math.floor(n / 4) % 9, n % 4];
          return channel === 3 ? 255 : (a[channel] as number) * share(x) + (b[channel] as number) * (1 - share(x));
        });
        for (const label of labelEdges(pixels, 9, 9, inks, 128)) expect([1, 2]).toContain(label);
      }),
    );
  });
});

describe('fine detail', () => {
  it('is what is thinner than two dots as it lies, the thinnest first', () => {
    expect(thinnestLine(150)).toBeCloseTo(0.3387, 4);
    const at = (id: string, scale: number, aspect = 1) => ({
      ...newPlacement(id, { id: 'kelp' }, { x: 0, y: 0 }),
      scale,
      aspect,
    });
    const placements = [at('whole', 1), at('half', 0.5), at('quarter', 0.25), at('double', 2)];
    const found = findFineDetail(placements, new Map([['kelp', 0.4]]), 150);
    expect(found.map(({ id, mm }) => [id, mm])).toEqual([
      ['quarter', 0.1],
      ['half', 0.2],
    ]);
    expect(leastScale(at('flat', 1, 0.25))).toBeLessThan(1);
  });
});
