import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instancesIn } from '../draw/index.ts';
import {
  IDENTITY,
  invert,
  isInsideLoops,
  type Matrix,
  type Point,
  poseMatrix,
  transform,
  translationMatrix,
} from '../geometry/index.ts';
import { latticeOf } from '../lattice/index.ts';
import { flattenPath } from '../motif/index.ts';
import { vineRecipeSchema } from '../recipe/index.ts';
import { PLAIN, real, repeat, vine } from './testing/vines.ts';
import { vineArtwork } from './vineArtwork.ts';
import { vineCrossings } from './vineCrossings.ts';
import { nearestOnVine, vineBox, VineCurve, type VineLine } from './vineCurve.ts';
import { droppedVine, mirroredVine } from './vineFrames.ts';

/** Whether a point lies in a path, by the even–odd rule. */
const isIn = (path: string, at: Point): boolean => isInsideLoops(flattenPath(path, 0.01), at);

describe('the crossings of vines', () => {
  it('lie on both, and their number is odd where one goes across and the other down', () => {
    const stray = fc.array(fc.record({ along: real(-0.2, 0.2), off: real(-0.2, 0.2) }), { minLength: 1, maxLength: 5 });
    const lineOf = (period: Point, strays: readonly { along: number; off: number }[]): VineLine => ({
      period,
      knots: strays.map(({ along, off }, n) => {
        const share = (n + along) / strays.length;
        return { x: period.x * share - period.y * off, y: period.y * share + period.x * off, width: 3 };
      }),
    });
    fc.assert(
      fc.property(repeat, stray, stray, (on, first, second) => {
        const lattice = latticeOf(on);
        const [across, down] = [lineOf(lattice.a, first), lineOf(lattice.b, second)];
        const box = vineBox(new VineCurve(across));
        const seen = instancesIn(lattice, IDENTITY, vineBox(new VineCurve(down)), box);
        const found = vineCrossings(across, [{ line: down, seen }], 0);
        expect(found.length % 2).toBe(1);
        const [own, other] = [new VineCurve(across), new VineCurve(down)];
        for (const { at, place } of found) {
          const there = own.place(own.parameterAt(at * own.length)).at;
          // The curves are tried as 256 pieces, which are this near to them.
          expect(Math.hypot(there.x - place.x, there.y - place.y)).toBeLessThan(1e-3 * own.length);
          const near = seen.map((matrix) => nearestOnVine(other, transform(invert(matrix) as Matrix, place)).distance);
          expect(Math.min(...near)).toBeLessThan(5e-3 * Math.max(own.length, other.length));
        }
      }),
      { numRuns: 60 },
    );
  });

  it('of a vine with itself are two for each place where it does, and none where it only goes on', () => {
    const loop: VineLine = {
      period: { x: 120, y: 0 },
      knots: [
        { x: -40, y: 0, width: 3 },
        { x: 30, y: 20, width: 3 },
        { x: 0, y: 45, width: 3 },
        { x: -30, y: 20, width: 3 },
        { x: 40, y: 0, width: 3 },
      ],
    };
    const seen = [-1, 0, 1].map((n) => translationMatrix(n * 120, 0));
    const found = vineCrossings(loop, [{ line: loop, seen }], 0.5);
    expect(found).toHaveLength(2);
    expect(found[0]?.place.x).toBeCloseTo(found[1]?.place.x ?? 0, 1);
    expect(vineCrossings(PLAIN, [{ line: PLAIN, seen }], 0)).toEqual([]);
  });

  it('leave what goes over free, in this period and the next, and as much of the ground as is asked', () => {
    const over: VineLine = { period: { x: 0, y: 80 }, knots: [{ x: -60, y: 0, width: 8 }] };
    const freed = (gap: number): ((p: Point) => boolean) => {
      const [crossing] = vineCrossings(PLAIN, [{ line: over, seen: [IDENTITY, translationMatrix(0, -80)] }], gap);
      if (!crossing) throw new Error('nothing crosses');
      const passes = [{ at: crossing.at, free: crossing.free }];
      const artwork = vineArtwork({ ...PLAIN, passes }, new Map());
      expect(artwork.view).toEqual(vineArtwork(PLAIN, new Map()).view);
      vineRecipeSchema.validateSync({ ...PLAIN, passes }, { strict: true });
      const [group] = artwork.nodes;
      if (group?.kind !== 'group') throw new Error('it is not clipped');
      return (p) => !isIn(group.clip?.[0]?.path ?? '', p);
    };
    const [closed, open] = [freed(0), freed(1.5)];
    for (const x of [-60, 60]) {
      expect(closed({ x, y: 0 })).toBe(true);
      expect(closed({ x: x + 3.8, y: 0 })).toBe(true);
      // Both cover the edge, so that no ground is seen there.
      expect(closed({ x: x + 3.95, y: 0 })).toBe(false);
      expect(open({ x: x + 5.4, y: 0 })).toBe(true);
      expect(open({ x: x + 5.6, y: 0 })).toBe(false);
    }
    expect(closed({ x: 0, y: 0 })).toBe(false);
  });
});

describe('a frame of two vines', () => {
  it('has a mirror image that goes along the same period, on any lattice', () => {
    fc.assert(
      fc.property(vine, real(-180, 180), fc.boolean(), real(0, 1), ({ recipe }, rotation, flipped, t) => {
        const pose = { x: 12, y: -7, rotation, scale: 1.3, aspect: 1, skew: 0, flipped };
        const [own, curve] = [poseMatrix(pose), new VineCurve(recipe)];
        const period = transform([own[0], own[1], own[2], own[3], 0, 0], recipe.period);
        const image = poseMatrix(mirroredVine(pose, period));
        const { at } = curve.place(t * curve.span);
        const [p, q] = [transform(own, at), transform(image, at)];
        const length = Math.hypot(period.x, period.y);
        const along = ({ x, y }: Point): number => ((x - pose.x) * period.x + (y - pose.y) * period.y) / length;
        const beside = ({ x, y }: Point): number => ((x - pose.x) * period.y - (y - pose.y) * period.x) / length;
        expect(along(q)).toBeCloseTo(along(p), 6);
        expect(beside(q)).toBeCloseTo(-beside(p), 6);
        const dropped = droppedVine(droppedVine(pose, period), period);
        expect(dropped.x - pose.x).toBeCloseTo(period.x, 9);
        expect(dropped.y - pose.y).toBeCloseTo(period.y, 9);
      }),
    );
  });
});
