import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { apply, type Design, inverse, newDesign } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import {
  applyOpToPoint,
  applyOpToPose,
  latticeOf,
  nearestDifference,
  orbitDistance,
  SQUARE,
  step,
} from '../lattice/index.ts';
import type { Silhouette } from '../motif/index.ts';
import { countOfShare, isAllowed, type TossRecipe } from '../recipe/index.ts';
import { anyPlacementFields, anyPoint, anyRepeat, anyStep, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import { applyToss, pin, tossedIdsOf, tossedPlacements } from './applyToss.ts';
import { type Circle, type CircleCover, coverWithCircles, poseCircles } from './circleCover.ts';
import { ClearanceField } from './clearanceField.ts';
import { fillHoles } from './fill.ts';
import { findHoles } from './holes.ts';
import { mainInk } from './mainInk.ts';
import { obstaclesOf } from './obstacles.ts';
import { settle } from './settle.ts';
import { toss, TossError, type TossResult } from './toss.ts';
import type { Tossable } from './tossTypes.ts';

/** A raster of what a rule says of each place, shares across and down. */
function raster(width: number, height: number, rule: (u: number, v: number) => boolean): Silhouette {
  const solid = new Uint8Array(width * height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) solid[y * width + x] = rule((x + 0.5) / width, (y + 0.5) / height) ? 1 : 0;
  return { width, height, solid };
}

const SHAPES = {
  disc: {
    silhouette: raster(96, 96, (u, v) => Math.hypot(u - 0.5, v - 0.5) < 0.48),
    motif: { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } },
  },
  // A horseshoe: what is small may reach into its bay.
  bay: {
    silhouette: raster(96, 96, (u, v) => Math.hypot(u - 0.5, v - 0.5) < 0.48 && !(Math.abs(u - 0.5) < 0.25 && v < 0.6)),
    motif: { width: 44, view: { x: 0, y: 0, width: 44, height: 44 } },
  },
  bar: { silhouette: raster(96, 24, () => true), motif: { width: 40, view: { x: 0, y: 0, width: 40, height: 10 } } },
} as const;
type Name = keyof typeof SHAPES;
const NAMES = Object.keys(SHAPES) as Name[];
const TOSSABLE = new Map<string, Tossable>(
  NAMES.map((name) => [
    name,
    {
      rounds: coverWithCircles(SHAPES[name].silhouette, SHAPES[name].motif),
      ink: name === 'bar' ? '#000000' : '#ff0000',
    },
  ]),
);
const roundsFor = (name: string): CircleCover => (TOSSABLE.get(name) as Tossable).rounds;
const NOTHING = { rounds: [], area: 0, places: [] };

/** The true drawing as points of its raster, mm on the plane: nothing of the toss's own data. */
function drawn(
  name: string,
  lies: { x: number; y: number; rotation: number; scale: number; flipped: boolean },
  edgeOnly = false,
): { x: number; y: number }[] {
  const { silhouette, motif } = SHAPES[name as Name];
  const { width, height, solid } = silhouette;
  const [cos, sin] = [Math.cos((lies.rotation * Math.PI) / 180), Math.sin((lies.rotation * Math.PI) / 180)];
  const points: { x: number; y: number }[] = [];
  const high = (motif.width * motif.view.height) / motif.view.width;
  for (let y = 0; y < height; y += 2) {
    for (let x = 0; x < width; x += 2) {
      if (solid[y * width + x] !== 1) continue;
      const inside =
        x > 1 &&
        y > 1 &&
        x < width - 2 &&
        y < height - 2 &&
        [-2, 2, -2 * width, 2 * width].every((by) => solid[y * width + x + by] === 1);
      if (edgeOnly && inside) continue;
      const px = ((x + 0.5) / width - 0.5) * motif.width * lies.scale * (lies.flipped ? -1 : 1);
      const py = ((y + 0.5) / height - 0.5) * high * lies.scale;
      points.push({ x: lies.x + cos * px - sin * py, y: lies.y + sin * px + cos * py });
    }
  }
  return points;
}

function last(tossing: Generator<TossResult, TossResult>): TossResult {
  for (;;) {
    const next = tossing.next();
    if (next.done) return next.value;
  }
}

const recipe = (rest: Partial<TossRecipe> = {}): TossRecipe => ({
  entries: [
    { motif: 'bay', role: 'hero', count: 3, smallest: 0.8, largest: 1.1 },
    { motif: 'bar', role: 'companion', count: 6, smallest: 0.6, largest: 1 },
    { motif: 'disc', role: 'filler', count: 12, smallest: 0.4, largest: 1 },
  ],
  directions: { kind: 'all' },
  flipped: true,
  gap: 3,
  ground: 0,
  seed: 1,
  ...rest,
});

describe('rounds', () => {
  it.each(NAMES)('cover all that is drawn, and little more: %s', (name) => {
    const { circles, area, reach } = roundsFor(name);
    expect(circles.length).toBeLessThanOrEqual(48);
    const points = drawn(name, { ...UPRIGHT });
    for (const p of points) expect(circles.some(({ x, y, r }) => Math.hypot(p.x - x, p.y - y) <= r)).toBe(true);
    const long = Math.max(SHAPES[name].motif.width, 10);
    // Nowhere do they reach farther beyond the drawing than a sixteenth of its length.
    for (const { x, y, r } of circles) {
      for (let angle = 0; angle < 360; angle += 30) {
        const at = { x: x + r * Math.cos((angle * Math.PI) / 180), y: y + r * Math.sin((angle * Math.PI) / 180) };
        expect(Math.min(...points.map((p) => Math.hypot(p.x - at.x, p.y - at.y)))).toBeLessThan(
          long / 16 + (name === 'bay' ? 1 : 0),
        );
      }
    }
    expect(area).toBeCloseTo(
      (points.length * 4 * long * (name === 'bar' ? 10 : long)) / (96 * (name === 'bar' ? 24 : 96)),
      -1,
    );
    expect(reach).toBeGreaterThanOrEqual(Math.max(...points.map(({ x, y }) => Math.hypot(x, y))));
  });

  it('close lines that nothing could lie in, and fill holes', () => {
    const carved = coverWithCircles(
      raster(
        128,
        128,
        (u, v) =>
          Math.hypot(u - 0.5, v - 0.5) < 0.48 && Math.abs(u - 0.5) > 0.012 && Math.hypot(u - 0.3, v - 0.5) > 0.1,
      ),
      { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } },
    );
    expect(carved.circles[0]?.r).toBeGreaterThan(9.3);
  });

  it('go along with a pose, however it stretches and slants', () => {
    fc.assert(
      fc.property(anyPlacementFields, (fields) => {
        const placement = leafAt('a', fields);
        const [round] = poseCircles({ circles: [{ x: 0, y: 0, r: 1 }], area: 1, reach: 1 }, placement) as [Circle];
        const { scale, aspect, skew } = placement;
        const lean = Math.tan((skew * Math.PI) / 180);
        for (let angle = 0; angle < 360; angle += 15) {
          const [u, v] = [
            Math.cos((angle * Math.PI) / 180) * scale,
            Math.sin((angle * Math.PI) / 180) * scale * aspect,
          ];
          expect(Math.hypot(u + lean * v, v)).toBeLessThanOrEqual(round.r * (1 + 1e-9));
        }
      }),
    );
  });
});

describe('openness', () => {
  it('is the distance to the nearest round through every instance, and never more between its places', () => {
    fc.assert(
      fc.property(
        anyRepeat,
        fc.array(
          fc.record({
            x: fc.double({ min: -200, max: 900, noNaN: true }),
            y: fc.double({ min: -200, max: 900, noNaN: true }),
            r: fc.double({ min: 1, max: 40, noNaN: true }),
          }),
          { minLength: 1, maxLength: 5 },
        ),
        anyPoint,
        (repeat, rounds, at) => {
          const lattice = latticeOf({
            ...repeat,
            width: Math.max(40, repeat.width),
            height: Math.max(40, repeat.height),
          });
          const openness = new ClearanceField(lattice, 30);
          openness.add(rounds);
          const truth = Math.min(30, ...rounds.map(({ x, y, r }) => nearest(lattice, at, { x, y }) - r));
          const told = openness.atLeast(at.x, at.y);
          expect(told).toBeLessThanOrEqual(truth + 1e-3);
          expect(told).toBeGreaterThanOrEqual(truth - 2 * Math.hypot(openness.stepX, openness.stepY) - 1e-6);
        },
      ),
    );
  });

  it('measures across joins as looking at every instance does', () => {
    fc.assert(
      fc.property(anyRepeat, anyPoint, anyPoint, (repeat, p, q) => {
        const lattice = latticeOf(repeat);
        expect(orbitDistance(lattice, p, q)).toBeCloseTo(nearest(lattice, p, q), 6);
      }),
    );
  });
});

/** By the columns or rows around, of which the twelfth at the latest lies as the first. */
function nearest(
  { ops, domain: { stacked, width, height }, a, b }: ReturnType<typeof latticeOf>,
  p: { x: number; y: number },
  q: { x: number; y: number },
): number {
  let least = Infinity;
  for (const image of ops) {
    const there = applyOpToPoint(image, q);
    const [along, across] = stacked === 'columns' ? [there.x - p.x, there.y - p.y] : [there.y - p.y, there.x - p.x];
    const [step, size, drop] = stacked === 'columns' ? [width, height, a.y] : [height, width, b.x];
    for (let n = Math.round(along / step) - 13; n <= Math.round(along / step) + 13; n += 1) {
      const rest = across - n * drop;
      least = Math.min(least, Math.hypot(along - n * step, rest - Math.round(rest / size) * size));
    }
  }
  return least;
}

describe('a toss', () => {
  const anyCell = fc.record({
    width: fc.integer({ min: 110, max: 200 }),
    height: fc.integer({ min: 110, max: 200 }),
    step: anyStep.filter(({ drop }) => drop.q <= 4),
  });

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
      { numRuns: 8 },
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
      { numRuns: 10 },
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

describe('holes', () => {
  it('are the largest empty rounds, as looking everywhere finds them, and lie apart', () => {
    fc.assert(
      fc.property(
        fc.record({
          width: fc.integer({ min: 60, max: 120 }),
          height: fc.integer({ min: 60, max: 120 }),
          step: anyStep.filter(({ drop }) => drop.q <= 3),
        }),
        fc.array(
          fc.record({
            x: fc.double({ min: 0, max: 120, noNaN: true }),
            y: fc.double({ min: 0, max: 120, noNaN: true }),
            r: fc.double({ min: 2, max: 12, noNaN: true }),
          }),
          { minLength: 2, maxLength: 6 },
        ),
        (repeat, rounds) => {
          const lattice = latticeOf(repeat);
          const holes = findHoles(lattice, rounds, 2, 50);
          let widest = 0;
          for (let x = 0; x < repeat.width; x += 1.3)
            for (let y = 0; y < repeat.height; y += 1.3)
              widest = Math.max(widest, Math.min(...rounds.map((one) => nearest(lattice, { x, y }, one) - one.r)));
          const most = 0.5 * Math.min(repeat.width, repeat.height);
          expect(holes[0]?.r ?? 0).toBeGreaterThanOrEqual(Math.min(widest, most) - 1e-3 - 0.8);
          for (const [n, hole] of holes.entries()) {
            for (const one of rounds) expect(nearest(lattice, hole, one) - one.r).toBeGreaterThanOrEqual(hole.r - 1e-3);
            for (const before of holes.slice(0, n))
              expect(nearest(lattice, hole, before)).toBeGreaterThanOrEqual(before.r - 1e-3);
            expect(hole.r).toBeLessThanOrEqual((holes[n - 1]?.r ?? Infinity) + 1e-9);
          }
        },
      ),
      { numRuns: 14 },
    );
  });

  it('are filled as large as fits with the gap, by another than lies nearest', () => {
    const lattice = latticeOf({ width: 200, height: 200, step: SQUARE });
    const entries = [
      { motif: 'disc', role: 'filler' as const, count: 1, smallest: 0.2, largest: 2 },
      { motif: 'bar', role: 'filler' as const, count: 1, smallest: 0.1, largest: 2 },
    ];
    const holes = [
      { x: 50, y: 50, r: 15 },
      { x: 150, y: 150, r: 4 },
      { x: 100, y: 20, r: 3.2 },
    ];
    const laid = fillHoles(lattice, holes, recipe({ entries, gap: 3 }), TOSSABLE, [{ x: 60, y: 60, motif: 'disc' }]);
    expect(laid.map(({ motif }) => motif)).toEqual(['bar']);
    const [bar] = laid;
    expect(bar).toMatchObject({ x: 50, y: 50 });
    expect((bar?.scale ?? 0) * roundsFor('bar').reach).toBeLessThanOrEqual(12);
    expect((bar?.scale ?? 0) * roundsFor('bar').reach).toBeGreaterThan(11.9);
  });
});

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
