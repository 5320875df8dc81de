import type { PenPoint } from './penPoint.ts';

/** Between two points that the pen reported at most so many are laid. */
const MOST_BETWEEN = 40;

/**
 * The points of a stroke with others between those that lie farther apart than `far`, mm, on a smooth curve through all of them: a
 * centripetal Catmull–Rom spline (Yuksel, Schaefer and Keyser, 2011), which makes no loops. A fast hand leaves no corners so.
 */
export function smoothPoints(points: readonly PenPoint[], far: number): PenPoint[] {
  const smooth: PenPoint[] = [];
  points.forEach((p1, n) => {
    smooth.push(p1);
    const p2 = points[n + 1];
    if (!p2) return;
    const length = Math.hypot(p2.x - p1.x, p2.y - p1.y);
    const parts = Math.min(MOST_BETWEEN, Math.ceil(length / far));
    if (parts < 2) return;
    const p0 = points[n - 1] ?? p1;
    const p3 = points[n + 2] ?? p2;
    const d1 = knotStep(p0, p1);
    const d2 = knotStep(p1, p2);
    const d3 = knotStep(p2, p3);
    const c1 = handle(p0, p1, p2, d1, d2);
    const c2 = handle(p3, p2, p1, d3, d2);
    for (let k = 1; k < parts; k += 1) {
      const t = k / parts;
      const u = 1 - t;
      const a = u * u * u;
      const b = 3 * u * u * t;
      const c = 3 * u * t * t;
      const d = t * t * t;
      smooth.push({
        x: a * p1.x + b * c1.x + c * c2.x + d * p2.x,
        y: a * p1.y + b * c1.y + c * c2.y + d * p2.y,
        time: p1.time + (p2.time - p1.time) * t,
        pressure: p1.pressure + (p2.pressure - p1.pressure) * t,
      });
    }
  });
  return smooth;
}

/** The root of a distance. */
const knotStep = (p: PenPoint, q: PenPoint): number => Math.sqrt(Math.hypot(q.x - p.x, q.y - p.y));

/** The Bézier handle at `at` towards `to`, where the curve comes from `from`. */
function handle(from: PenPoint, at: PenPoint, to: PenPoint, before: number, after: number): { x: number; y: number } {
  if (before < 1e-6) return { x: at.x + (to.x - at.x) / 3, y: at.y + (to.y - at.y) / 3 };
  const [b2, a2] = [before * before, after * after];
  const own = 2 * b2 + 3 * before * after + a2;
  const whole = 3 * before * (before + after);
  const on = (axis: 'x' | 'y'): number => (b2 * to[axis] - a2 * from[axis] + own * at[axis]) / whole;
  return { x: on('x'), y: on('y') };
}
