import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compose, transform } from './matrix.ts';
import { applyPose, composePoses, inversePose, type Pose, poseMatrix, poseOf, UPRIGHT } from './pose.ts';

const anyPose: fc.Arbitrary<Pose> = fc.record({
  x: fc.double({ min: -500, max: 500, noNaN: true }),
  y: fc.double({ min: -500, max: 500, noNaN: true }),
  rotation: fc.double({ min: -360, max: 360, noNaN: true }),
  scale: fc.double({ min: 0.05, max: 20, noNaN: true }),
  aspect: fc.oneof(fc.constant(1), fc.double({ min: 0.2, max: 5, noNaN: true })),
  skew: fc.oneof(fc.constant(0), fc.double({ min: -70, max: 70, noNaN: true })),
  flipped: fc.boolean(),
});
const anyPoint = fc.record({
  x: fc.double({ min: -100, max: 100, noNaN: true }),
  y: fc.double({ min: -100, max: 100, noNaN: true }),
});

describe('poses', () => {
  it('follow each other as their matrices do', () => {
    fc.assert(
      fc.property(anyPose, anyPose, anyPoint, (outer, inner, point) => {
        const one = applyPose(composePoses(outer, inner), point);
        const other = transform(compose(poseMatrix(outer), poseMatrix(inner)), point);
        expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeLessThan(1e-9 * (1 + Math.hypot(other.x, other.y)));
      }),
    );
  });

  it('are undone by their inverse', () => {
    fc.assert(
      fc.property(anyPose, anyPoint, (pose, point) => {
        const back = applyPose(inversePose(pose), applyPose(pose, point));
        expect(Math.hypot(back.x - point.x, back.y - point.y)).toBeLessThan(1e-8);
      }),
    );
  });

  it('mirror before they turn', () => {
    const at = applyPose({ ...UPRIGHT, x: 1, y: 2, rotation: 90, scale: 3, flipped: true }, { x: 5, y: 1 });
    expect(at).toEqual({ x: 1 - 3, y: 2 - 15 });
  });

  it('are read off their matrices, each way to lie as one pose', () => {
    fc.assert(
      fc.property(anyPose, (pose) => {
        const read = poseOf(poseMatrix(pose));
        expect(read.flipped).toBe(pose.flipped);
        for (const key of ['x', 'y', 'scale', 'aspect'] as const) expect(read[key] / pose[key] || 1).toBeCloseTo(1, 9);
        expect(read.skew).toBeCloseTo(pose.skew, 8);
        expect(Math.cos(((read.rotation - pose.rotation) * Math.PI) / 180)).toBeCloseTo(1, 12);
      }),
    );
    expect(() => poseOf([1, 1, 2, 2, 0, 0])).toThrow(RangeError);
  });

  it('lean their upright lines by the skew and keep the level ones level', () => {
    const pose = { ...UPRIGHT, skew: 45, scale: 2, aspect: 0.5 };
    expect(applyPose(pose, { x: 10, y: 0 })).toEqual({ x: 20, y: 0 });
    expect(applyPose(pose, { x: 0, y: 10 }).x).toBeCloseTo(10, 12);
    expect(applyPose(pose, { x: 0, y: 10 }).y).toBeCloseTo(10, 12);
  });
});
