import { PLAIN, real, repeat, vine } from './testing/vines.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compose, rotationMatrix, translationMatrix } from '../geometry/index.ts';
import { indexOfCellAt, latticeOf, latticeTranslate, step } from '../lattice/index.ts';
import { pathBounds } from '../motif/index.ts';
import { vineRecipeSchema } from '../recipe/index.ts';
import { drawnVine, movedVine, refittedVine, withKnotAt } from './drawnVine.ts';
import { vineArtwork } from './vineArtwork.ts';
import { VineCurve } from './vineCurve.ts';
import { leafCount, vineParts } from './vineParts.ts';

const LEAF = { width: 6, view: { x: 0, y: 0, width: 6, height: 12 } };

describe('the middle line of a vine', () => {
  it('is its shifted self to a thousand-millionth of a mm, and joins with the same slope and bend, on any lattice', () => {
    fc.assert(
      fc.property(vine, real(-3, 3), ({ lattice, recipe }, share) => {
        const curve = new VineCurve(recipe);
        const by = latticeTranslate(lattice, recipe.index);
        const [here, next] = [curve.place(share * curve.span), curve.place((share + 1) * curve.span)];
        expect(Math.abs(next.at.x - here.at.x - by.x)).toBeLessThan(1e-9 * Math.max(1, Math.abs(by.x)));
        expect(Math.abs(next.at.y - here.at.y - by.y)).toBeLessThan(1e-9 * Math.max(1, Math.abs(by.y)));
        // On both sides of every knot, the join among them.
        for (const knot of [...curve.knots, curve.span]) {
          const near = curve.span * 1e-9;
          const [before, after] = [curve.place(knot - near), curve.place(knot + near)];
          for (const part of ['slope', 'bend'] as const)
            for (const axis of ['x', 'y'] as const) {
              const size = Math.max(1, Math.abs(before[part][axis]));
              expect(Math.abs(after[part][axis] - before[part][axis]) / size).toBeLessThan(1e-4);
            }
          expect(Math.abs(after.width - before.width)).toBeLessThan(1e-4);
        }
      }),
    );
  });

  it('goes through its knots, as wide as they say', () => {
    fc.assert(
      fc.property(vine, ({ recipe }) => {
        const curve = new VineCurve(recipe);
        recipe.knots.forEach(({ x, y, width }, n) => {
          const place = curve.place(curve.knots[n] as number);
          expect(place.at.x).toBeCloseTo(x, 7);
          expect(place.at.y).toBeCloseTo(y, 7);
          expect(place.width).toBeCloseTo(width, 7);
        });
      }),
    );
  });

  it('bends least of all curves through its knots that join smoothly: a knot set on it changes nothing much', () => {
    const curve = new VineCurve(PLAIN);
    const denser = new VineCurve(withKnotAt(PLAIN, curve.length * 0.4));
    expect(denser.knots).toHaveLength(4);
    for (let n = 0; n < 40; n += 1) {
      const at = curve.place(curve.parameterAt((n / 40) * curve.length)).at;
      const other = denser.place(denser.parameterAt((n / 40) * denser.length)).at;
      expect(Math.hypot(at.x - other.x, at.y - other.y)).toBeLessThan(1);
    }
  });

  it('is measured along itself', () => {
    const straight = new VineCurve({ ...PLAIN, knots: [{ x: 0, y: 0, width: 3 }] });
    expect(straight.length).toBeCloseTo(120, 9);
    fc.assert(
      fc.property(vine, real(0, 0.999), ({ recipe }, share) => {
        const curve = new VineCurve(recipe);
        const length = share * curve.length;
        expect(curve.lengthAt(curve.parameterAt(length))).toBeCloseTo(length, 6);
      }),
    );
  });
});

describe('a vine drawn by hand', () => {
  it('goes on to the instance nearest to where the hand let go', () => {
    const lattice = latticeOf({ width: 120, height: 90, step: step('half-drop', 1, 2) });
    const line = Array.from({ length: 40 }, (_, n) => ({ x: 10 + 3 * n, y: 30 + n * 1.1 + 6 * Math.sin(n / 4) }));
    const drawn = drawnVine(lattice, line, 5);
    expect(drawn?.index).toEqual({ i: 1, j: 0 });
    expect(drawn?.period).toEqual({ x: 120, y: 45 });
    expect(drawn?.knots[0]).toEqual({ x: 10, y: 30, width: 5 });
    expect(drawn?.knots.length).toBeGreaterThan(2);
    expect(drawn?.knots.length).toBeLessThan(20);
    expect(drawnVine(lattice, line.slice(0, 8), 5)).toBeUndefined();
    expect(drawnVine(lattice, [], 5)).toBeUndefined();
  });

  it('meets itself again where the repeat has changed, and keeps its shape', () => {
    fc.assert(
      fc.property(vine, repeat, ({ recipe }, other) => {
        const period = latticeTranslate(latticeOf(other), recipe.index);
        const refitted = refittedVine(recipe, period);
        expect(refitted.period).toEqual(period);
        expect(refitted.knots[0]).toEqual(recipe.knots[0]);
        expect(refittedVine(recipe, recipe.period)).toBe(recipe);
      }),
    );
  });

  it('is moved as a whole', () => {
    const moved = movedVine(PLAIN, compose(translationMatrix(10, 20), rotationMatrix(90)));
    expect(moved.period.x).toBeCloseTo(0, 9);
    expect(moved.period.y).toBeCloseTo(120, 9);
    expect(moved.knots[1]?.x).toBeCloseTo(-8, 9);
    expect(moved.knots[1]?.y).toBeCloseTo(0, 9);
    expect(moved.knots[1]?.width).toBeCloseTo(6, 9);
  });
});

describe('the artwork of a vine', () => {
  it('covers what lies within its width, and nothing else, where its pieces meet too', () => {
    const artwork = vineArtwork(PLAIN, new Map());
    const [node] = artwork.nodes;
    const box = node?.kind === 'path' ? pathBounds(node.path) : undefined;
    expect(box?.left).toBeGreaterThan(-63);
    expect(box?.left).toBeLessThan(-59);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeGreaterThan(120);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeLessThan(124);
    expect(artwork.view.x + artwork.view.width / 2).toBeCloseTo(0, 9);
    vineRecipeSchema.validateSync(PLAIN, { strict: true });
  });

  it('fades to another ink halfway and back: each piece goes on where the one before ends, and so does the next period', () => {
    const nodes = vineArtwork({ ...PLAIN, fadesTo: '#d8a63a' }, new Map()).nodes;
    const curve = new VineCurve(PLAIN);
    const fills = nodes.flatMap((node) => (node.kind === 'path' && node.fill?.kind === 'linear' ? [node.fill] : []));
    expect(fills.length).toBeGreaterThan(20);
    /** How far along a gradient a place is. */
    const offset = (n: number, { x, y }: { x: number; y: number }): number => {
      const { from, to } = fills[n] as (typeof fills)[number];
      const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
      return ((x - from[0]) * dx + (y - from[1]) * dy) / (dx * dx + dy * dy);
    };
    fills.forEach(({ stops }, n) => {
      const [start, end] = [n, n + 1].map((k) => curve.place(curve.parameterAt((k / fills.length) * curve.length)).at);
      if (!start || !end) return;
      expect(offset(n, start)).toBeCloseTo(n / fills.length, 6);
      if (n + 1 < fills.length) expect(offset(n, end)).toBeCloseTo((n + 1) / fills.length, 6);
      expect(stops.map(({ ink }) => ink)).toEqual([PLAIN.ink, '#d8a63a', PLAIN.ink]);
    });
    expect(vineArtwork(PLAIN, new Map()).nodes).toHaveLength(1);
  });

  it('has branches that taper to their ends and leaves that stand on its edge', () => {
    const leaves = {
      motif: 'leaf',
      spacing: 11,
      offset: 0.5,
      side: 'alternate',
      angle: 60,
      smallest: 0.8,
      largest: 1.2,
      gap: 0,
      seed: 3,
      mirrored: true,
    } as const;
    const parts = vineParts({ ...PLAIN, leaves: [leaves] }, new Map([['leaf', LEAF]]));
    const curve = new VineCurve(PLAIN);
    expect(parts).toHaveLength(leafCount(leaves, curve.length));
    expect(parts.length % 2).toBe(0);
    for (const part of parts) {
      expect(part.scale).toBeGreaterThanOrEqual(0.8);
      expect(part.scale).toBeLessThanOrEqual(1.2);
      // Its foot is half its height below its middle.
      const turn = (part.rotation * Math.PI) / 180;
      const reach = 6 * part.scale;
      const foot = { x: part.x - reach * Math.sin(turn), y: part.y + reach * Math.cos(turn) };
      let nearest = Infinity;
      for (let n = 0; n < 2000; n += 1) {
        const place = curve.place((n / 2000) * curve.span);
        for (const k of [-1, 0, 1])
          nearest = Math.min(
            nearest,
            Math.abs(Math.hypot(foot.x - place.at.x - 120 * k, foot.y - place.at.y) - place.width / 2) +
              (Math.hypot(foot.x - place.at.x - 120 * k, foot.y - place.at.y) > place.width ? 9 : 0),
          );
      }
      expect(nearest).toBeLessThan(0.05);
    }
    const branch = { at: 0.3, side: 'left', length: 30, angle: 50, curl: 200, width: 0.7 } as const;
    const { nodes } = vineArtwork({ ...PLAIN, branches: [branch] }, new Map());
    expect(nodes).toHaveLength(2);
    expect(() => vineArtwork({ ...PLAIN, leaves: [leaves] }, new Map())).toThrow(RangeError);
  });

  it('is laid by the lattice so that the whole of it goes through every cell that it should', () => {
    fc.assert(
      fc.property(vine, ({ lattice, recipe }) => {
        // However far the curve is followed, brought back by the lattice it lies on the first period.
        const curve = new VineCurve(recipe);
        const far = curve.place(curve.span * 7.3).at;
        const near = curve.place(curve.span * 0.3).at;
        const steps = indexOfCellAt(lattice, { x: far.x - near.x + 1e-6, y: far.y - near.y + 1e-6 });
        expect(steps).toEqual({ i: 7 * recipe.index.i, j: 7 * recipe.index.j });
      }),
    );
  });
});
