import { describe, expect, it } from 'vitest';
import { latticeOf, step } from '../lattice/index.ts';
import { leafAt } from '../testing/arbitraries.ts';
import { settle } from './settle.ts';
import { NAMES, roundsFor, nearest } from '../testing/tossFixtures.ts';

describe('settling', () => {
  it('makes the least distance larger and moves nothing else, and goes on', () => {
    const lattice = latticeOf({ width: 120, height: 120, step: step('half-drop', 1, 2) });
    const lie = [
      [20, 20],
      [32, 24],
      [26, 34],
      [90, 90],
      [100, 100],
    ].map(([x, y], n) => ({ ...leafAt(`p${n}`, { x: x, y: y, scale: 0.4 }), motif: 'disc' }));
    const shapes = new Map(NAMES.map((name) => [name as string, roundsFor(name)]));
    const least = (list: typeof lie): number =>
      Math.min(...list.flatMap((one, n) => list.slice(n + 1).map((other) => nearest(lattice, one, other))));
    let now = lie;
    let before = least(now);
    for (let press = 0; press < 4; press += 1) {
      const changes = settle(lattice, now, new Set(['p0', 'p1', 'p2', 'p3']), shapes, false);
      expect(changes['p4']).toBeUndefined();
      now = now.map((one) => ({ ...one, ...changes[one.id] }));
      expect(now.every(({ rotation }) => rotation === 0)).toBe(true);
      expect(least(now)).toBeGreaterThanOrEqual(before - 1e-9);
      before = least(now);
    }
    expect(before).toBeGreaterThan(1.5 * least(lie));
  });
});
