import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UPRIGHT } from '../geometry/index.ts';
import { applyOpToPose, latticeOf, nearestDifference, orbitDistance, SQUARE, step } from '../lattice/index.ts';
import { countOfShare, isAllowed } from '../recipe/index.ts';
import { anyStep, repeatsOf, leafAt } from '../testing/arbitraries.ts';
import { obstaclesOf } from './obstacles.ts';
import { toss, TossError, type TossResult } from './toss.ts';
import { NAMES, TOSSABLE, drawn, recipe, nearest } from '../testing/tossFixtures.ts';

const NOTHING = { rounds: [], area: 0, places: [] };

function last(tossing: Generator<TossResult, TossResult>): TossResult {
  for (;;) {
    const next = tossing.next();
    if (next.done) return next.value;
  }
}

describe('a toss', () => {
  const anyCell = repeatsOf(
    fc.integer({ min: 110, max: 200 }),
    fc.integer({ min: 110, max: 200 }),
    anyStep.filter(({ drop }) => drop.q <= 4),
  );

  it('keeps the gap between all that is drawn, instances included, in every step', () => {
    fc.assert(
      fc.property(anyCell, fc.integer({ min: 0, max: 6 }), fc.nat(1000), (repeat, gap, seed) => {
        const lattice = latticeOf(repeat);
        const { placed } = last(toss(lattice, recipe({ gap, seed }), TOSSABLE, NOTHING));
        expect(placed.length).toBeGreaterThan(6);
        const { ops } = lattice;
        const shown = placed.flatMap((tossed) => ops.map((image) => applyOpToPose(image, { ...UPRIGHT, ...tossed })));
        const bodies = shown.map((one) => drawn(one.motif, one, true));
        let least = Infinity;
        shown.forEach((one, n) => {
          if (n % ops.length > 0) return;
          shown.forEach((other, m) => {
            for (let i = -1; i <= 1; i += 1) {
              for (let j = -1; j <= 1; j += 1) {
                if (m < n || (m === n && i === 0 && j === 0)) continue;
                const base = nearestDifference(lattice, other, one);
                const [dx, dy] = [
                  one.x + base.x - other.x + i * lattice.a.x + j * lattice.b.x,
                  one.y + base.y - other.y + i * lattice.a.y + j * lattice.b.y,
                ];
                if (Math.hypot(other.x + dx - one.x, other.y + dy - one.y) > 70) continue;
                for (const p of bodies[n] as { x: number; y: number }[])
                  for (const q of bodies[m] as { x: number; y: number }[])
                    least = Math.min(least, Math.hypot(p.x - q.x - dx, p.y - q.y - dy));
              }
            }
          });
        });
        expect(least).toBeGreaterThanOrEqual(gap);
      }),
      { numRuns: 5 },
    );
  });

  it('is the same for the same seed, and another for another', () => {
    const lattice = latticeOf({ width: 160, height: 140, step: step('half-drop', 1, 2) });
    const tossResult = last(toss(lattice, recipe(), TOSSABLE, NOTHING));
    expect(last(toss(lattice, recipe(), TOSSABLE, NOTHING))).toEqual(tossResult);
    expect(last(toss(lattice, recipe({ seed: 2 }), TOSSABLE, NOTHING))).not.toEqual(tossResult);
  });

  it('can be stopped at any moment with what there is, large first', () => {
    const lattice = latticeOf({ width: 200, height: 200, step: SQUARE });
    const tossing = toss(lattice, recipe(), TOSSABLE, NOTHING);
    const steps = Array.from({ length: 5 }, () => tossing.next().value);
    expect(steps.map(({ placed }) => placed.length)).toEqual([1, 2, 3, 4, 5]);
    expect(steps[4]?.placed.slice(0, 4).map(({ motif }) => motif)).toEqual(['bay', 'bay', 'bay', 'bar']);
  });

  it('keeps clear of what stands, and takes directions, sizes and the ground that is to show as told', () => {
    fc.assert(
      fc.property(fc.nat(1000), fc.constantFrom('one' as const, 'two' as const, 'four' as const), (seed, kind) => {
        const lattice = latticeOf({ width: 180, height: 180, step: step('brick', 1, 2) });
        const standing = obstaclesOf([{ ...leafAt('pinned', { x: 4, y: 90, scale: 1.2 }), motif: 'disc' }], TOSSABLE);
        const { placed, covered } = last(
          toss(lattice, recipe({ seed, directions: { kind }, flipped: false, ground: 0.8 }), TOSSABLE, standing),
        );
        const allowed = { one: [0], two: [0, 180], four: [0, 90, 180, -90] }[kind];
        for (const tossed of placed) {
          expect(allowed).toContain(tossed.rotation);
          expect(tossed.flipped).toBe(false);
          expect(tossed.scale).toBeGreaterThanOrEqual(0.4);
          expect(tossed.scale).toBeLessThanOrEqual(1.1);
          for (const p of drawn(tossed.motif, tossed))
            expect(nearest(lattice, p, { x: 4, y: 90 })).toBeGreaterThanOrEqual(12 * 0.96 + 3 - 0.2);
        }
        // Fillers end once less than four fifths would show: one may have gone over it.
        expect(covered).toBeLessThan(0.2 + (Math.PI * 100) / (180 * 180) + 0.15);
      }),
      { numRuns: 6 },
    );
  });

  it('lets motifs lie over each other where they may, by no more than that, and more of them find room', () => {
    const lattice = latticeOf({ width: 150, height: 150, step: step('half-drop', 1, 2) });
    const many = (gap: number): TossResult =>
      last(
        toss(
          lattice,
          recipe({
            gap,
            ground: 0,
            directions: { kind: 'all' },
            entries: [{ motif: 'disc', role: 'companion', count: 200, smallest: 1, largest: 1 }],
          }),
          TOSSABLE,
          NOTHING,
        ),
      );
    const placed = many(-5).placed;
    expect(placed.length).toBeGreaterThan(1.2 * many(0).placed.length);
    let least = Infinity;
    placed.forEach((tossed, n) =>
      placed.slice(n + 1).forEach((other) => (least = Math.min(least, orbitDistance(lattice, tossed, other)))),
    );
    // Discs of 19.2 mm across: their middles are apart by that less what they may lie over each other.
    expect(least).toBeLessThan(19.2);
    expect(least).toBeGreaterThanOrEqual(19.2 - 5);
  });

  it('starts from what lies there: what still does as told stays to the bit, the rest is laid anew', () => {
    fc.assert(
      fc.property(fc.nat(1000), fc.integer({ min: 1, max: 7 }), (seed, gap) => {
        const lattice = latticeOf({ width: 180, height: 160, step: step('half-drop', 1, 2) });
        const before = last(toss(lattice, recipe({ seed, gap: 4 }), TOSSABLE, NOTHING)).placed;
        const after = last(toss(lattice, recipe({ seed, gap }), TOSSABLE, NOTHING, before)).placed;
        const kept = before.filter((tossed) => after.includes(tossed));
        if (gap <= 4) expect(kept).toEqual(before);
        else expect(kept.length).toBeGreaterThan(0);
        const bodies = after.map((tossed) => drawn(tossed.motif, tossed, true));
        for (const [n, one] of after.entries()) {
          for (const [m, other] of after.entries()) {
            if (m <= n || (n + m) % 5 > 0 || nearest(lattice, one, other) > 50) continue;
            for (const p of bodies[n] as { x: number; y: number }[])
              for (const q of (bodies[m] as { x: number; y: number }[]).filter((_q, k) => k % 3 === 0))
                expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeGreaterThanOrEqual(gap);
          }
        }
        // What looks the wrong way, or is too large, does not stay.
        const strict = last(
          toss(lattice, recipe({ seed, directions: { kind: 'range', from: -20, to: 20 } }), TOSSABLE, NOTHING, before),
        ).placed;
        expect(strict.every(({ rotation }) => Math.abs(rotation) <= 20 + 1e-6)).toBe(true);
      }),
      { numRuns: 4 },
    );
  });

  it('takes shares of all for counts, and turns by its directions', () => {
    expect([countOfShare(0.2, 40), countOfShare(0.5, 12), countOfShare(0, 9)]).toEqual([10, 12, 0]);
    expect(
      isAllowed({ kind: 'two' }, -180) &&
        isAllowed({ kind: 'four' }, 270) &&
        isAllowed({ kind: 'range', from: -20, to: 30 }, 340),
    ).toBe(true);
    expect(
      isAllowed({ kind: 'two' }, 90) ||
        isAllowed({ kind: 'one' }, 5) ||
        isAllowed({ kind: 'range', from: -20, to: 30 }, 31),
    ).toBe(false);
  });

  it('spreads equal motifs wider than chance would', () => {
    const lattice = latticeOf({ width: 220, height: 220, step: SQUARE });
    const entries = NAMES.map((motif) => ({
      motif,
      role: 'companion' as const,
      count: 6,
      smallest: 0.5,
      largest: 0.5,
    }));
    const { placed } = last(toss(lattice, recipe({ entries }), TOSSABLE, NOTHING));
    const alike = placed.filter((tossed, n) => {
      const others = placed
        .filter((_other, m) => m !== n)
        .map((other) => ({ motif: other.motif, distance: nearest(lattice, tossed, other) }));
      return others.reduce((a, b) => (a.distance < b.distance ? a : b)).motif === tossed.motif;
    });
    // By chance a third of the nearest neighbours would be of the same motif.
    expect(alike.length / placed.length).toBeLessThan(0.2);
  });

  it('says what found no room and why, and refuses what cannot be', () => {
    const lattice = latticeOf({ width: 70, height: 70, step: SQUARE });
    const { placed, unplaced } = last(
      toss(
        lattice,
        recipe({ entries: [{ motif: 'bay', role: 'hero', count: 9, smallest: 1, largest: 1 }] }),
        TOSSABLE,
        NOTHING,
      ),
    );
    expect(placed.length + (unplaced[0]?.count ?? 0)).toBe(9);
    expect(unplaced[0]).toMatchObject({ motif: 'bay' });
    expect(() => last(toss(lattice, recipe({ entries: [] }), TOSSABLE, NOTHING))).toThrow(TossError);
    expect(() =>
      last(
        toss(
          lattice,
          recipe({ entries: [{ motif: 'disc', role: 'filler', count: 2, smallest: 9, largest: 9 }] }),
          TOSSABLE,
          NOTHING,
        ),
      ),
    ).toThrow(/too large for the cell/);
    expect(() =>
      last(
        toss(
          lattice,
          recipe({ entries: [{ motif: 'gone', role: 'filler', count: 2, smallest: 1, largest: 1 }] }),
          TOSSABLE,
          NOTHING,
        ),
      ),
    ).toThrow(TossError);
  });
});
