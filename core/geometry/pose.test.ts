import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compose, transform } from './matrix.ts';
import { composePoses, inversePose, poseMatrix, posed, type Pose } from './pose.ts';

const anyPose: fc.Arbitrary<Pose> = fc.record({
  x: fc.double({ min: -500, max: 500, noNaN: true }),
  y: fc.double({ min: -500, max: 500, noNaN: true }),
  turn: fc.double({ min: -360, max: 360, noNaN: true }),
  scale: fc.double({ min: 0.05, max: 20, noNaN: true }),
  mirrored: fc.boolean(),
});
const anyPoint = fc.record({ x: fc.double({ min: -100, max: 100, noNaN: true }), y: fc.double({ min: -100, max: 100, noNaN: true }) });

describe('poses', () => {
  it('follow each other as their matrices do', () => {
    fc.assert(
      fc.property(anyPose, anyPose, anyPoint, (outer, inner, point) => {
        const one = posed(composePoses(outer, inner), point);
        const other = transform(compose(poseMatrix(outer), poseMatrix(inner)), point);
        expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeLessThan(1e-9 * (1 + Math.hypot(other.x, other.y)));
      }),
    );
  });

  it('are undone by their inverse', () => {
    fc.assert(
      fc.property(anyPose, anyPoint, (pose, point) => {
        const back = posed(inversePose(pose), posed(pose, point));
        expect(Math.hypot(back.x - point.x, back.y - point.y)).toBeLessThan(1e-8);
      }),
    );
  });

  it('mirror before they turn', () => {
    const at = posed({ x: 1, y: 2, turn: 90, scale: 3, mirrored: true }, { x: 5, y: 1 });
    expect(at).toEqual({ x: 1 - 3, y: 2 - 15 });
  });
});
