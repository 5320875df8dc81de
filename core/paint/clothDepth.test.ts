import { describe, expect, it } from 'vitest';
import { newDesign } from '../document/index.ts';
import { step } from '../lattice/index.ts';
import { leafAt } from '../testing/arbitraries.ts';
import type { Motif } from '../motif/index.ts';
import { depthRefusal } from './clothDepth.ts';

const motif = { id: 'leaf', name: 'Leaf', width: 60, view: { x: 0, y: 0, width: 6, height: 3 } } as Motif;
const design = (side: number, scale: number, count = 1) => ({
  ...newDesign('d', 'Deep', { width: side, height: side, step: step('half-drop') }),
  placements: Array.from({ length: count }, (_, n) => leafAt(`p${n}`, { motif: 'leaf', scale })),
});

describe('a design', () => {
  it('is painted where its motifs are within reason', () => {
    expect(depthRefusal(design(100, 1), [motif])).toBeUndefined();
    // Ten cells across, and a thousand small ones.
    expect(depthRefusal(design(6, 1), [motif])).toBeUndefined();
    expect(depthRefusal(design(60, 0.2, 1000), [motif])).toBeUndefined();
  });

  it('is refused where they lie over each other thousands deep, by itself or together', () => {
    // 3,000 by 1,500 mm on cells of 5 by 5.
    expect(depthRefusal(design(5, 50), [motif])).toBe(
      'Its motifs lie over each other 180,000 deep, and at most 2,000 can be painted. Make “Leaf” smaller or the cell larger.',
    );
    expect(depthRefusal(design(5, 1, 28), [motif])).toMatch(/2,016 deep/);
    expect(depthRefusal(design(5, 1, 27), [motif])).toBeUndefined();
  });

  it('counts nothing of motifs that are not there, or not shown', () => {
    const deep = design(5, 50);
    const [layer] = deep.layers;
    expect(depthRefusal({ ...deep, layers: layer ? [{ ...layer, shown: false }] : [] }, [motif])).toBeUndefined();
    expect(depthRefusal(design(5, 50), [])).toBeUndefined();
  });
});
