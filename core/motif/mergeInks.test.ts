import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../colour/index.ts';
import { LEAF } from '../testing/arbitraries.ts';
import { inksOf } from './artwork.ts';
import { groupInks, recolourArtwork } from './mergeInks.ts';

const anyHex = fc.integer({ min: 0, max: 0xffffff }).map((n): Hex => `#${n.toString(16).padStart(6, '0')}`);

describe('merging inks', () => {
  it('makes near-equal ones the first of them and leaves the rest', () => {
    const merged = groupInks(['#b3402e', '#b4412f', '#1f2430', '#b23f2d'], 3);
    expect([...merged]).toEqual([
      ['#b3402e', '#b3402e'],
      ['#b4412f', '#b3402e'],
      ['#1f2430', '#1f2430'],
      ['#b23f2d', '#b3402e'],
    ]);
  });

  it('with nothing between them keeps all apart, and never makes more of them', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(anyHex, { maxLength: 12 }),
        fc.double({ min: 0, max: 25, noNaN: true }),
        (inks, within) => {
          expect([...groupInks(inks, 0).values()]).toEqual(inks);
          const merged = groupInks(inks, within);
          expect([...merged.keys()]).toEqual(inks);
          // What stands for others stands for itself.
          for (const ink of merged.values()) expect(merged.get(ink)).toBe(ink);
        },
      ),
    );
  });

  it('changes every ink of the artwork, in gradients and outlines too', () => {
    const [first] = inksOf(LEAF);
    const all = new Map(inksOf(LEAF).map((ink) => [ink, first as Hex]));
    expect(inksOf(recolourArtwork(LEAF, all))).toEqual([first]);
    expect(recolourArtwork(LEAF, new Map())).toEqual(LEAF);
  });
});
