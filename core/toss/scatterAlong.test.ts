import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { applyOpToPoint, latticeOf, mirroredStep, SQUARE, step, translatesWithin } from '../lattice/index.ts';
import { type Circle, poseCircles } from './circleCover.ts';
import { MOST_SCATTERED, type Scatter, scatterAlong } from './scatterAlong.ts';
import type { Tossable } from './tossTypes.ts';

const DOT: Tossable = { rounds: { circles: [{ x: 0, y: 0, r: 4 }], area: 50, reach: 4 }, ink: '#22304a' };
const LEAF: Tossable = {
  rounds: {
    circles: [
      { x: 0, y: 0, r: 3 },
      { x: 0, y: -5, r: 2 },
      { x: 0, y: 5, r: 2 },
    ],
    area: 60,
    reach: 7,
  },
  ink: '#566f52',
};
const SHAPES = new Map([
  ['dot', DOT],
  ['leaf', LEAF],
]);
const PLAIN: Scatter = {
  motifs: ['dot', 'leaf'],
  spacing: 12,
  smallest: 0.5,
  largest: 1.2,
  rotation: 'any',
  gap: 1.5,
  overlapping: false,
  seed: 3,
};
const lattices = [
  latticeOf({ width: 120, height: 90, step: SQUARE }),
  latticeOf({ width: 120, height: 90, step: step('half-drop', 1, 2) }),
  latticeOf({ width: 90, height: 120, step: step('brick', 1, 3) }),
  latticeOf({ width: 90, height: 120, step: mirroredStep(SQUARE, 'both') }),
];
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const line = fc
  .array(fc.record({ x: real(-200, 300), y: real(-200, 300) }), { minLength: 2, maxLength: 6 })
  .map((points): Point[] => points);

describe('motifs scattered along a line', () => {
  it('keep the gap to each other, to what is there and to their own repeats, whatever the lattice', () => {
    fc.assert(
      fc.property(line, fc.constantFrom(...lattices), fc.integer({ min: 1, max: 99 }), (path, lattice, seed) => {
        const there: Circle[] = [
          { x: 30, y: 30, r: 9 },
          { x: 70, y: 60, r: 5 },
        ];
        const laid = scatterAlong(lattice, path, { ...PLAIN, seed }, SHAPES, there);
        const all = [
          there,
          ...laid.map((one) => poseCircles((SHAPES.get(one.motif) as Tossable).rounds, { ...one, aspect: 1, skew: 0 })),
        ];
        all.slice(1).forEach((circles, n) => {
          all.forEach((others, m) => {
            for (const own of circles)
              for (const other of others)
                lattice.ops.forEach((op, k) => {
                  const seen = applyOpToPoint(op, other);
                  const far = own.r + other.r + PLAIN.gap - 1e-6;
                  const near = translatesWithin(lattice, { x: seen.x - own.x, y: seen.y - own.y }, far);
                  const isItself = m === n + 1 && k === 0;
                  const strange = near.filter(
                    ({ x, y }) => !isItself || Math.hypot(x - other.x + own.x, y - other.y + own.y) > 1e-9,
                  );
                  expect(strange).toEqual([]);
                });
          });
        });
      }),
      { numRuns: 25 },
    );
  });

  it('follow the line at their spacing where there is room, the same for the same seed', () => {
    const [lattice] = lattices as [(typeof lattices)[number]];
    const path = [
      { x: 5, y: 20 },
      { x: 115, y: 20 },
    ];
    const scatter = { ...PLAIN, motifs: ['dot'], rotation: 'along' as const, spacing: 11 };
    const laid = scatterAlong(lattice, path, scatter, SHAPES, []);
    expect(laid).toHaveLength(11);
    laid.forEach((one, n) => {
      expect(one.x).toBeCloseTo(5 + 11 * n, 6);
      expect(one.y).toBeCloseTo(20, 6);
      expect(one.rotation).toBeCloseTo(90, 6);
      expect(one.scale).toBeGreaterThanOrEqual(0.5);
      expect(one.scale).toBeLessThanOrEqual(1.2);
    });
    expect(scatterAlong(lattice, path, scatter, SHAPES, [])).toEqual(laid);
    expect(scatterAlong(lattice, path, { ...scatter, seed: 4 }, SHAPES, [])).not.toEqual(laid);
  });

  it('lie over each other only where they are told to, and are never more than can be laid', () => {
    const [lattice] = lattices as [(typeof lattices)[number]];
    const still = Array.from({ length: 40 }, (_, n) => ({ x: 40 + n / 100, y: 40 }));
    const crowded = { ...PLAIN, spacing: 0.1 };
    expect(scatterAlong(lattice, still, crowded, SHAPES, [])).toHaveLength(1);
    expect(scatterAlong(lattice, still, { ...crowded, overlapping: true }, SHAPES, [])).toHaveLength(4);
    const far = [
      { x: 0, y: 0 },
      { x: 1e6, y: 0 },
    ];
    const many = scatterAlong(lattice, far, { ...PLAIN, overlapping: true }, SHAPES, []);
    expect(many).toHaveLength(MOST_SCATTERED);
    expect(scatterAlong(lattice, [], PLAIN, SHAPES, [])).toEqual([]);
    expect(scatterAlong(lattice, far, { ...PLAIN, motifs: ['gone'] }, SHAPES, [])).toEqual([]);
  });
});
