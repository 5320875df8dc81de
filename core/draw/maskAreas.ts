import { invert, type Matrix, type Point, simplifyLine, transform } from '../geometry/index.ts';
import { type PathText, Pen } from '../motif/index.ts';
import type { MaskArea } from '../recipe/index.ts';

/** An area of the cloth for a mask: a rectangle or an ellipse between two corners. */
export type AreaShape = 'box' | 'ellipse';

/** How far the outline of an area may be simplified, mm. */
const OFF = 0.02;
/** Points that an ellipse is drawn with: off by less than 0.1 % of its size. */
const ELLIPSE_POINTS = 96;

/** The outline of a rectangle, or of the ellipse in it. */
export function areaLoop(shape: AreaShape, from: Point, to: Point): Point[] {
  if (shape === 'box') return [from, { x: to.x, y: from.y }, to, { x: from.x, y: to.y }];
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  const half = { x: (to.x - from.x) / 2, y: (to.y - from.y) / 2 };
  return Array.from({ length: ELLIPSE_POINTS }, (_, n) => {
    const angle = (2 * Math.PI * n) / ELLIPSE_POINTS;
    return { x: middle.x + half.x * Math.cos(angle), y: middle.y + half.y * Math.sin(angle) };
  });
}

/**
 * An area of the plane as areas of a motif's mask, one for each instance that it meets.
 *
 * @param loops outlines on the plane, mm, filled by the non-zero rule
 * @param instances from the artwork's units to the plane
 */
export function maskAreas(
  loops: readonly (readonly Point[])[],
  deed: MaskArea['deed'],
  instances: readonly Matrix[],
): MaskArea[] {
  const simple = loops.flatMap((loop) => {
    const [first] = loop;
    return first ? [simplifyLine([...loop, first], OFF).slice(0, -1)] : [];
  });
  return instances.flatMap((matrix) => {
    const back = invert(matrix);
    const path = back && loopsPath(simple.map((loop) => loop.map((point) => transform(back, point))));
    return path ? [{ deed, path }] : [];
  });
}

/** Closed lines as a path; those of less than three points are none. */
export function loopsPath(loops: readonly (readonly Point[])[]): PathText {
  const pen = new Pen();
  for (const loop of loops) {
    if (loop.length < 3) continue;
    loop.forEach(({ x, y }, n) => (n === 0 ? pen.move(x, y) : pen.line(x, y)));
    pen.close();
  }
  return pen.toString();
}
