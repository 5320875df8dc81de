import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cornersAround, type Placement } from '../document/index.ts';
import { applyPose, normaliseAngle, type Point } from '../geometry/index.ts';
import { anyPlacementFields, anyPoint, LEAF_RECORD, leafAt } from '../testing/arbitraries.ts';
import {
  angleAround,
  type Frame,
  frameOf,
  type FramePoint,
  framePointAt,
  MIDDLE,
  pointInFrame,
  scaleByPin,
  sizeOf,
  skewByPin,
  stretchByPin,
} from './frame.ts';
import { poseAbout, transformPlacements } from './transformPlacements.ts';

const LEAVES = new Map([['leaf', LEAF_RECORD]]);
const anyLeaves = fc
  .array(anyPlacementFields, { minLength: 1, maxLength: 4 })
  .map((list) => list.map((fields, n) => leafAt(`p${n}`, { ...fields, skew: fields.skew / 2 })));
const SIDES: readonly FramePoint[] = [
  { u: 1, v: 0.5 },
  { u: 0, v: 0.5 },
  { u: 0.5, v: 0 },
  { u: 0.5, v: 1 },
];
const across = ({ u, v }: FramePoint): FramePoint => ({ u: 1 - u, v: 1 - v });
const framed = (placements: readonly Placement[]): Frame => frameOf(placements, LEAVES) as Frame;
const corners = (placement: Placement): Point[] =>
  cornersAround(placement, LEAF_RECORD).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y }));
const near = (a: Point, b: Point, by = 1e-7): void =>
  expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeLessThan(by * (1 + Math.hypot(b.x, b.y)));

describe('a pose of the plane', () => {
  it('takes every corner of every motif along', () => {
    fc.assert(
      fc.property(
        anyLeaves,
        anyPoint,
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        fc.double({ min: 0.7, max: 1.4, noNaN: true }),
        fc.boolean(),
        (leaves, at, rotation, scale, aspect, flipped) => {
          const by = poseAbout(at, { rotation, scale, aspect, flipped });
          const changes = transformPlacements(leaves, by);
          fc.pre(changes !== undefined);
          near(applyPose(by, at), at);
          for (const placement of leaves) {
            const after = { ...placement, ...changes?.[placement.id] };
            corners(after).forEach((corner, n) => near(corner, applyPose(by, corners(placement)[n] as Point)));
          }
        },
      ),
    );
  });

  it('is refused where a motif would be too small', () => {
    expect(
      transformPlacements([leafAt('a', {}), leafAt('b', { scale: 0.02 })], poseAbout({ x: 0, y: 0 }, { scale: 0.4 })),
    ).toBeUndefined();
  });

  it('keeps right angles right: nothing creeps into stretch and skew', () => {
    const changes = transformPlacements(
      [leafAt('a', { x: 10, y: 0, rotation: 45 })],
      poseAbout({ x: 0, y: 0 }, { rotation: 90 }),
    );
    expect(changes?.['a']).toEqual({ x: 0, y: 10, rotation: 135, scale: 1, aspect: 1, skew: 0, flipped: false });
  });
});

describe('pins', () => {
  it('size evenly, with the fixed point where it is and the pin on the diagonal', () => {
    fc.assert(
      fc.property(
        anyLeaves,
        fc.constantFrom({ u: 0, v: 0 }, { u: 1, v: 0 }, { u: 1, v: 1 }, { u: 0, v: 1 }),
        fc.boolean(),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (leaves, pin, aboutMiddle, factor) => {
          const frame = framed(leaves);
          const fixed = aboutMiddle ? MIDDLE : across(pin);
          const [from, still] = [pointInFrame(frame, pin), pointInFrame(frame, fixed)];
          const to = { x: still.x + (from.x - still.x) * factor, y: still.y + (from.y - still.y) * factor };
          const pose = scaleByPin(frame, pin, fixed, to);
          expect(pose?.scale).toBeCloseTo(factor, 8);
          if (!pose) return;
          near(applyPose(pose, still), still);
          near(applyPose(pose, from), to);
        },
      ),
    );
  });

  it('widen one way: the pin goes to the hand, the other side stays, and what runs along it keeps its length', () => {
    fc.assert(
      fc.property(
        anyLeaves,
        fc.constantFrom(...SIDES),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (leaves, pin, factor) => {
          const frame = framed(leaves);
          const fixed = across(pin);
          const to = pointInFrame(frame, {
            u: fixed.u + (pin.u - fixed.u) * factor,
            v: fixed.v + (pin.v - fixed.v) * factor,
          });
          const pose = stretchByPin(frame, pin, fixed, to);
          if (!pose) throw new Error('it cannot be widened');
          near(applyPose(pose, pointInFrame(frame, pin)), to);
          near(applyPose(pose, pointInFrame(frame, fixed)), pointInFrame(frame, fixed));
          const before = sizeOf(frame);
          const changes = transformPlacements(leaves, pose);
          fc.pre(changes !== undefined && leaves.length === 1);
          const after = sizeOf(framed(leaves.map((placement) => ({ ...placement, ...changes?.[placement.id] }))));
          expect(after.width / before.width).toBeCloseTo(pin.v === 0.5 ? factor : 1, 7);
          expect(after.height / before.height).toBeCloseTo(pin.v === 0.5 ? 1 : factor, 7);
        },
      ),
    );
  });

  it('slant along their side by what the hand went, and leave the other side lie', () => {
    fc.assert(
      fc.property(
        anyLeaves,
        fc.constantFrom(...SIDES),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        (leaves, pin, by) => {
          const frame = framed(leaves);
          const to = pointInFrame(frame, pin.v === 0.5 ? { u: pin.u, v: 0.5 + by } : { u: 0.5 + by, v: pin.v });
          const pose = skewByPin(frame, pin, across(pin), pointInFrame(frame, pin), to);
          if (!pose) throw new Error('it cannot be slanted');
          near(applyPose(pose, pointInFrame(frame, pin)), to);
          for (const share of [0, 0.3, 1]) {
            const still = pointInFrame(frame, pin.v === 0.5 ? { u: 1 - pin.u, v: share } : { u: share, v: 1 - pin.v });
            near(applyPose(pose, still), still);
          }
        },
      ),
    );
  });

  it('turn by as much as the hand went round', () => {
    expect(angleAround({ x: 1, y: 1 }, { x: 5, y: 1 }, { x: 1, y: 5 })).toBeCloseTo(90, 9);
    expect(angleAround({ x: 0, y: 0 }, { x: -5, y: 1 }, { x: -5, y: -1 })).toBeCloseTo(
      2 * Math.atan2(1, 5) * (180 / Math.PI),
      9,
    );
    expect(normaliseAngle(-180)).toBe(180);
    expect(normaliseAngle(540)).toBe(180);
    expect(normaliseAngle(-360)).toBe(0);
  });

  it('that would flatten it or turn it inside out are not followed', () => {
    const frame = framed([leafAt('a', {})]);
    expect(scaleByPin(frame, { u: 1, v: 1 }, { u: 0, v: 0 }, pointInFrame(frame, { u: -1, v: -1 }))).toBeUndefined();
    expect(
      stretchByPin(frame, { u: 1, v: 0.5 }, { u: 0, v: 0.5 }, pointInFrame(frame, { u: 0, v: 0.5 })),
    ).toBeUndefined();
  });

  it('find the share that lies at a place', () => {
    fc.assert(
      fc.property(anyLeaves, anyPoint, (leaves, at) => {
        const frame = framed(leaves);
        near(pointInFrame(frame, framePointAt(frame, at) as FramePoint), at);
      }),
    );
  });
});
