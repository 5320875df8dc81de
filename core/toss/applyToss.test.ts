import { describe, expect, it } from 'vitest';
import { apply, type Design, inverse, newDesign } from '../document/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { applyToss, pin, tossedIdsOf, tossedPlacements } from './applyToss.ts';
import { mainInk } from './mainInk.ts';
import { recipe } from '../testing/tossFixtures.ts';

describe('a toss on the cloth', () => {
  const start: Design = {
    ...newDesign('d', 'Toss', { width: 100, height: 100, step: SQUARE }),
    placements: [leafAt('hand', { x: 5 })],
  };
  const motifs = new Map([['leaf', LEAF_RECORD]]);
  const laid = (n: number) =>
    tossedPlacements(
      [
        { motif: 'leaf', x: n, y: 1, rotation: 0, scale: 1, flipped: false },
        { motif: 'leaf', x: n, y: 50, rotation: 9, scale: 0.5, flipped: true },
      ],
      'main',
      (k) => `t${n}-${k}`,
    );
  const ids = (design: Design): string => design.placements.map(({ id }) => id).join(' ');

  it('takes the place of the one before, and leaves what was pinned or laid by hand', () => {
    const once = apply(start, applyToss(start, motifs, recipe(), laid(1)));
    expect(ids(once)).toBe('hand t1-0 t1-1');
    const pinned = apply(once, pin(once, ['t1-1', 'hand']) ?? { type: 'toss', toss: null });
    expect([...tossedIdsOf(pinned)]).toEqual(['t1-0']);
    expect(pin(pinned, ['t1-1'])).toBeUndefined();
    const again = applyToss(pinned, motifs, recipe({ seed: 2 }), laid(2));
    const twice = apply(pinned, again);
    expect(ids(twice)).toBe('hand t1-1 t2-0 t2-1');
    expect(twice.toss?.recipe.seed).toBe(2);
    expect(apply(twice, inverse(pinned, again))).toEqual(pinned);
    // Fillers of holes come to what lies there, and are the toss's own from then on.
    const more = apply(twice, applyToss(twice, motifs, recipe(), laid(3), true));
    expect(ids(more)).toBe('hand t1-1 t2-0 t2-1 t3-0 t3-1');
    expect([...tossedIdsOf(more)]).toEqual(['t2-0', 't2-1', 't3-0', 't3-1']);
  });

  it('knows the ink that most of a motif is printed in', () => {
    const pixels = new Uint8ClampedArray([250, 0, 0, 255, 240, 10, 0, 255, 0, 0, 240, 255, 0, 0, 240, 20]);
    expect(mainInk(pixels, ['#0000ff', '#ff0000'])).toBe('#ff0000');
    expect(mainInk(pixels, [])).toBe('');
  });
});
