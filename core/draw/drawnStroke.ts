import { isInsideLoops, type Matrix, type Point, simplifyLine, transform } from '../geometry/index.ts';
import { transformPath } from '../motif/index.ts';
import type { Brush, Stroke } from '../recipe/index.ts';
import { decodeLoops, decodePoints, encodeLoops, encodePoints, type PenPoint } from './penPoint.ts';
import { linesOf } from './strokeBox.ts';

/** Points of one stroke, at the most; of a longer one those between are left out. */
export const MOST_PEN_POINTS = 20_000;

/** A stroke as the pen drew it. */
export function drawnStroke(
  brush: Brush,
  points: readonly PenPoint[],
  seed: number,
  deed: Stroke['deed'] = 'line',
): Stroke {
  const every = Math.ceil(points.length / MOST_PEN_POINTS);
  const kept = every > 1 ? points.filter((_, n) => n % every === 0 || n === points.length - 1) : points;
  return { ...brush, seed, deed, points: encodePoints(kept) };
}

/** The same stroke elsewhere, rotated, reflected or in another size. */
export function movedStroke(stroke: Stroke, matrix: Matrix): Stroke {
  const { shading } = stroke;
  const moved = {
    ...stroke,
    ...scaledBrush(stroke, matrix),
    ...(shading && {
      shading: { ...shading, from: transform(matrix, shading.from), to: transform(matrix, shading.to) },
    }),
  };
  if (stroke.deed === 'area') {
    const loops = decodeLoops(stroke.points).map((loop) => loop.map((point) => transform(matrix, point)));
    return { ...moved, points: encodeLoops(loops) };
  }
  if (stroke.deed === 'path') return { ...moved, points: transformPath(stroke.points, matrix) };
  const points = decodePoints(stroke.points).map((point) => ({ ...point, ...transform(matrix, point) }));
  return { ...moved, points: encodePoints(points) };
}

/** An area that is filled in an ink, by its outlines in mm. */
export function filledArea(brush: Brush, loops: readonly (readonly Point[])[], off: number): Stroke {
  const simple = loops.map((loop) => simplifyLine([...loop, loop[0] as Point], off).slice(0, -1));
  return {
    ...brush,
    fill: null,
    seed: 1,
    deed: 'area',
    points: encodeLoops(simple.filter(({ length }) => length > 2)),
  };
}

/** A brush as wide as it looks through a map; one that stretches unevenly counts by its area. */
export function scaledBrush<B extends Pick<Brush, 'width' | 'taperStart' | 'taperEnd'>>(
  brush: B,
  [a, b, c, d]: Matrix,
): B {
  const by = Math.sqrt(Math.abs(a * d - b * c));
  if (Math.abs(by - 1) < 1e-9) return brush;
  return {
    ...brush,
    width: Math.min(200, Math.max(0.05, brush.width * by)),
    taperStart: Math.min(1000, brush.taperStart * by),
    taperEnd: Math.min(1000, brush.taperEnd * by),
  };
}

/** Whether a stroke covers a place, or comes within `reach` of it, mm; a line by its middle and its full width. */
export function strokeTouches(stroke: Stroke, at: Point, reach: number): boolean {
  const isArea = stroke.deed === 'area';
  const lines = linesOf(stroke);
  if ((isArea || stroke.fill !== null) && isInsideLoops(lines, at)) return true;
  const far = (isArea ? 0 : stroke.width / 2) + reach;
  return lines.some((line) =>
    line.some((end, n) => {
      const start = line[Math.max(0, n - 1)] as PenPoint;
      const [dx, dy] = [end.x - start.x, end.y - start.y];
      const length = dx * dx + dy * dy;
      const along = length > 0 ? Math.min(1, Math.max(0, ((at.x - start.x) * dx + (at.y - start.y) * dy) / length)) : 0;
      return Math.hypot(at.x - start.x - along * dx, at.y - start.y - along * dy) <= far;
    }),
  );
}
