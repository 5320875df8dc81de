import type { InkResolver } from '../../core/document/index.ts';
import { instancesIn, isSmooth, type OpenPath, pathOfKnots } from '../../core/draw/index.ts';
import { boxAround, growBox, type Matrix } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import type { Brush } from '../../core/recipe/index.ts';
import { drawHandle, drawMark } from './drawPoints.ts';
import { placeContext, toCss, type Viewport, windowMm } from './viewport.ts';

/** An even line with round ends and corners, in the stroke style. */
export function drawLine(context: CanvasRenderingContext2D, path: Path2D, width: number): void {
  context.lineWidth = width;
  context.lineCap = 'round';
  context.lineJoin = 'round';
  context.stroke(path);
}

/** Draws a path that is being made, in all its instances, and the points that were set. */
export function drawOpenPath(
  context: CanvasRenderingContext2D,
  { knots, closed }: OpenPath,
  brush: Brush,
  {
    viewport,
    lattice,
    resolve,
    copies,
  }: {
    readonly viewport: Viewport;
    readonly lattice: Lattice;
    readonly resolve: InkResolver;
    /** What is drawn along with it. */
    readonly copies: readonly Matrix[];
  },
): void {
  const path = new Path2D(pathOfKnots([{ path: 0, knots, closed }]));
  const box = growBox(boxAround(knots.flatMap((knot) => [knot, knot.into, knot.out])), brush.width);
  context.save();
  context.globalAlpha = brush.opacity;
  for (const copy of copies)
    for (const matrix of instancesIn(lattice, copy, box, windowMm(viewport))) {
      placeContext(context, viewport, matrix);
      if (brush.fill) {
        context.fillStyle = resolve(brush.fill);
        context.fill(path);
      }
      context.strokeStyle = resolve(brush.ink);
      drawLine(context, path, brush.width);
    }
  context.restore();
  const { density } = viewport;
  context.setTransform(density, 0, 0, density, 0, 0);
  const last = knots.at(-1);
  if (last) drawHandle(context, toCss(viewport, last), toCss(viewport, last.out));
  for (const knot of knots) drawMark(context, toCss(viewport, knot), isSmooth(knot), knot === last);
}
