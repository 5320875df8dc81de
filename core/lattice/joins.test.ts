import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRepeat } from '../testing/arbitraries.ts';
import { joinsOf } from './joins.ts';
import { latticeOf, orbitDistance } from './lattice.ts';
import { SQUARE, step } from './step.ts';

describe('the joins of a cell', () => {
  it('of a square step are a corner and two edges', () => {
    expect(joinsOf({ width: 80, height: 60, step: SQUARE })).toEqual([
      { kind: 'corner', at: { x: 0, y: 0 } },
      { kind: 'edge', at: { x: 40, y: 0 } },
      { kind: 'edge', at: { x: 80, y: 30 } },
    ]);
  });

  it('of a half-drop are also where the next column’s corners meet an edge', () => {
    const joins = joinsOf({ width: 80, height: 60, step: step('half-drop', 1, 2) });
    expect(joins.filter(({ kind }) => kind === 'corner')).toHaveLength(2);
  });

  it('are all different, and every corner and edge is one of them', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const lattice = latticeOf(repeat);
        const joins = joinsOf(repeat);
        for (const [n, { at }] of joins.entries())
          for (const other of joins.slice(0, n)) expect(orbitDistance(lattice, at, other.at)).toBeGreaterThan(1e-6);
        for (const corner of lattice.cell.corners)
          expect(Math.min(...joins.map(({ at }) => orbitDistance(lattice, at, corner)))).toBeLessThan(
            1e-5 * Math.max(repeat.width, repeat.height),
          );
      }),
    );
  });
});
