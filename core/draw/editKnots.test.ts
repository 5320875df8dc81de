import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import {
  cutLine,
  evenOut,
  insertKnot,
  joinEnds,
  knotKey,
  moveHandle,
  moveKnots,
  nearestOnLines,
  removeKnots,
  reverseLines,
  sharpenKnots,
  smoothKnots,
} from './editKnots.ts';
import { cornerAt, isSmooth, type Knot, type KnotLine, knotsOf, onCurve, pathOfKnots } from './pathKnots.ts';
import { real } from './testing/hands.ts';

const point = fc.record({ x: real(-100, 100), y: real(-100, 100) });
const knot: fc.Arbitrary<Knot> = fc
  .record({ p: point, into: point, out: point, straight: fc.boolean() })
  .map(({ p, into, out, straight }) => (straight ? cornerAt(p) : { ...p, into, out }));
/** Points never lie on each other: each has a place of its own that it strays from. */
const line: fc.Arbitrary<KnotLine> = fc
  .record({ knots: fc.array(knot, { minLength: 3, maxLength: 8 }), closed: fc.boolean() })
  .map(({ knots, closed }) => ({
    path: 0,
    closed,
    knots: knots.map(({ into, out, ...p }, n): Knot => {
      const by = { x: 60 * n - 0.8 * p.x, y: 30 * n * n - 0.8 * p.y };
      const moved = (q: Point): Point => ({ x: q.x + by.x, y: q.y + by.y });
      return { ...moved(p), into: moved(into), out: moved(out) };
    }),
  }));
const lines = fc.array(line, { minLength: 1, maxLength: 3 });

/** Points all along lines. */
function trail(each: readonly KnotLine[]): Point[] {
  return each.flatMap(({ knots, closed }) =>
    knots.slice(0, closed ? undefined : -1).flatMap((from, n) => {
      const to = knots[(n + 1) % knots.length] as Knot;
      return Array.from({ length: 12 }, (_, k) => onCurve(from, to, k / 12));
    }),
  );
}
const off = (from: readonly Point[], to: readonly Point[]): number =>
  Math.max(...from.map((p) => Math.min(...to.map((q) => Math.hypot(p.x - q.x, p.y - q.y)))));
const all = (each: readonly KnotLine[]): Set<string> =>
  new Set(each.flatMap(({ knots }, l) => knots.map((_, k) => knotKey({ line: l, knot: k }))));

describe('the points of a path', () => {
  it('are written and read again as the same lines', () => {
    fc.assert(
      fc.property(lines, (each) => {
        const back = knotsOf(pathOfKnots(each));
        expect(back).toHaveLength(each.length);
        const [a, b] = [trail(each), trail(back)];
        expect(a.length).toBe(b.length);
        a.forEach((p, n) => expect(Math.hypot(p.x - (b[n] as Point).x, p.y - (b[n] as Point).y)).toBeLessThan(1e-4));
      }),
    );
    // Curves of the second degree become the same curves of the third, and a line that comes back has its start once.
    const [quad] = knotsOf('M 0 0 Q 10 20 20 0 L 0 0 Z');
    expect(quad).toMatchObject({ closed: true });
    expect(quad?.knots).toHaveLength(2);
    expect(onCurve(quad?.knots[0] as Knot, quad?.knots[1] as Knot, 0.5).y).toBeCloseTo(10, 9);
    expect(knotsOf('M 5 5 Z')).toEqual([]);
  });
});

describe('editing points', () => {
  it('moves them there and back to the same drawing', () => {
    fc.assert(
      fc.property(lines, point, (each, by) => {
        const moved = moveKnots(moveKnots(each, all(each), by), all(each), { x: -by.x, y: -by.y });
        trail(moved).forEach((p, n) => {
          const q = trail(each)[n] as Point;
          expect(Math.hypot(p.x - q.x, p.y - q.y)).toBeLessThan(1e-9);
        });
        expect(moveKnots(each, new Set(), by)).toEqual(each);
      }),
      { numRuns: 40 },
    );
  });

  it('adds one on the curve without changing it', () => {
    fc.assert(
      fc.property(lines, real(0.05, 0.95), (each, t) => {
        const more = insertKnot(each, { line: 0, knot: 1 }, t);
        expect(more[0]?.knots).toHaveLength((each[0]?.knots.length ?? 0) + 1);
        const [from, to] = [each[0]?.knots[1] as Knot, each[0]?.knots[2] as Knot];
        const added = more[0]?.knots[2] as Knot;
        const meant = onCurve(from, to, t);
        expect(Math.hypot(added.x - meant.x, added.y - meant.y)).toBeLessThan(1e-9);
        for (const s of [0.2, 0.5, 0.8]) {
          const before = onCurve(from, to, s * t);
          const after = onCurve(more[0]?.knots[1] as Knot, added, s);
          expect(Math.hypot(before.x - after.x, before.y - after.y)).toBeLessThan(1e-9);
        }
      }),
    );
  });

  it('makes them smooth and sharp', () => {
    fc.assert(
      fc.property(lines, (each) => {
        const smooth = smoothKnots(each, all(each));
        smooth.forEach(({ knots, closed }) => {
          knots.forEach((one, n) => {
            if (closed || (n > 0 && n < knots.length - 1)) expect(isSmooth(one)).toBe(true);
          });
        });
        for (const { knots } of sharpenKnots(smooth, all(each)))
          for (const one of knots) expect(one).toEqual(cornerAt(one));
      }),
      { numRuns: 40 },
    );
  });

  it('turns the other handle of a smooth point along, and not where they are parted', () => {
    const smooth: KnotLine = {
      path: 0,
      closed: false,
      knots: [
        cornerAt({ x: 0, y: 0 }),
        { x: 10, y: 0, into: { x: 7, y: 0 }, out: { x: 14, y: 0 } },
        cornerAt({ x: 20, y: 0 }),
      ],
    };
    const at = { line: 0, knot: 1 };
    const turned = moveHandle([smooth], at, 'out', { x: 10, y: 5 }, false)[0]?.knots[1];
    expect(turned?.into.x).toBeCloseTo(10, 9);
    expect(turned?.into.y).toBeCloseTo(-3, 9);
    const parted = moveHandle([smooth], at, 'out', { x: 10, y: 5 }, true)[0]?.knots[1];
    expect(parted?.into).toEqual({ x: 7, y: 0 });
  });

  it('cuts and joins lines so that nothing moves, and turns them about', () => {
    fc.assert(
      fc.property(line, (each) => {
        const before = trail([each]);
        const cut = cutLine([each], { line: 0, knot: 1 });
        expect(off(before, trail(cut))).toBeLessThan(1e-9);
        expect(cut.every(({ closed }) => !closed)).toBe(true);
        const reverse = reverseLines([each], new Set([0]));
        expect(reverseLines(reverse, new Set([0]))).toEqual([each]);
        if (each.closed) {
          const ends = cut[0]?.knots.length ?? 0;
          const joined = joinEnds(cut, { line: 0, knot: 0 }, { line: 0, knot: ends - 1 });
          expect(joined?.[0]?.closed).toBe(true);
          expect(off(before, trail(joined ?? []))).toBeLessThan(1e-9);
        } else {
          expect(cut).toHaveLength(2);
          const joined = joinEnds(cut, { line: 0, knot: 1 }, { line: 1, knot: 0 });
          expect(joined).toHaveLength(1);
          expect(off(before, trail(joined ?? []))).toBeLessThan(1e-9);
        }
        // Points that are no ends cannot be joined.
        expect(joinEnds([each], { line: 0, knot: 1 }, { line: 0, knot: 1 })).toBeUndefined();
      }),
      { numRuns: 60 },
    );
  });

  it('takes points away, and lines that have too few left', () => {
    const each: KnotLine[] = [
      { path: 0, closed: true, knots: [0, 1, 2].map((x) => cornerAt({ x, y: x * x })) },
      { path: 0, closed: false, knots: [5, 6].map((x) => cornerAt({ x, y: 0 })) },
    ];
    const left = removeKnots(each, new Set([knotKey({ line: 0, knot: 1 }), knotKey({ line: 1, knot: 0 })]));
    expect(left).toHaveLength(1);
    expect(left[0]?.knots.map(({ x }) => x)).toEqual([0, 2]);
  });

  it('lays them evenly, as many as before, near the line that there was', () => {
    const circle: KnotLine = {
      path: 0,
      closed: true,
      knots: [0, 0.2, 0.5, 1.4, 2.2, 3, 4.4, 5].map((a) => cornerAt({ x: 30 * Math.cos(a), y: 30 * Math.sin(a) })),
    };
    const round = smoothKnots([circle], all([circle]));
    const [even] = evenOut(round, new Set([0]));
    expect(even?.knots).toHaveLength(8);
    const steps = even?.knots.map((p, n) => {
      const q = even.knots[(n + 1) % 8] as Knot;
      return Math.hypot(p.x - q.x, p.y - q.y);
    }) as number[];
    expect(Math.max(...steps) / Math.min(...steps)).toBeLessThan(1.1);
    expect(off(trail(even ? [even] : []), trail(round))).toBeLessThan(3);
  });

  it('finds the place on a line that is nearest', () => {
    const path = knotsOf('M 0 0 L 100 0 L 100 100 Z');
    const near = nearestOnLines(path, { x: 52, y: 3 });
    expect(near?.index).toEqual({ line: 0, knot: 0 });
    expect(near?.t).toBeCloseTo(0.5, 1);
    expect(near?.distance).toBeLessThan(4);
    expect(nearestOnLines([], { x: 0, y: 0 })).toBeUndefined();
  });
});
