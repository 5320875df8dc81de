import fc from 'fast-check';
import type { Point } from '../../geometry/index.ts';
import type { Brush } from '../../recipe/index.ts';
import { drawnStroke } from '../drawnStroke.ts';
import type { PenPoint } from '../penPoint.ts';

/** A brush of 6 mm that answers to the pen. */
export const BRUSH: Brush = {
  width: 6,
  thinning: 0.5,
  pressure: 'pen',
  taperStart: 8,
  taperEnd: 12,
  smoothing: 0.5,
  roughness: 0,
  ink: '#22304a',
  opacity: 1,
  fill: null,
};
export const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const brush: fc.Arbitrary<Brush> = fc.record({
  width: real(0.3, 30),
  thinning: real(-1, 1),
  pressure: fc.constantFrom('pen', 'speed', 'none'),
  taperStart: real(0, 40),
  taperEnd: real(0, 40),
  smoothing: real(0, 1),
  roughness: fc.constantFrom(0, 0.3, 1),
  ink: fc.constant('#22304a' as const),
  opacity: real(0.1, 1),
  fill: fc.constant(null),
});
/** A hand that wanders: what it does next depends on what it did. */
export const hand = fc
  .array(fc.record({ turn: real(-0.6, 0.6), far: real(0.2, 4), pressure: real(0, 1) }), { minLength: 1, maxLength: 60 })
  .map((steps): PenPoint[] => {
    let [x, y, angle] = [0, 0, 0];
    return steps.map(({ turn, far, pressure }, n) => {
      angle += turn;
      x += far * Math.cos(angle);
      y += far * Math.sin(angle);
      return { x, y, time: n * 8, pressure };
    });
  });

/** A straight stroke of an even brush. */
export const straight = (from: Point, to: Point, width = 4, deed: 'line' | 'rubber' = 'line') =>
  drawnStroke(
    { ...BRUSH, width, pressure: 'none', taperStart: 0, taperEnd: 0 },
    Array.from({ length: 21 }, (_, n) => ({
      x: from.x + ((to.x - from.x) * n) / 20,
      y: from.y + ((to.y - from.y) * n) / 20,
      time: n,
      pressure: 1,
    })),
    1,
    deed,
  );

/** How far a point is from a closed line. */
export function awayFrom(line: readonly Point[], { x, y }: Point): number {
  let least = Infinity;
  line.forEach((p, n) => {
    const q = line[(n + 1) % line.length] as Point;
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const length = dx * dx + dy * dy;
    const t = length > 0 ? Math.min(1, Math.max(0, ((x - p.x) * dx + (y - p.y) * dy) / length)) : 0;
    least = Math.min(least, Math.hypot(x - p.x - t * dx, y - p.y - t * dy));
  });
  return least;
}
