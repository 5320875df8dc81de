import type { Point } from '../../core/geometry/index.ts';
import { toCss, type Viewport } from './viewport.ts';

/** Closed lines as one path. */
export function closed(...loops: readonly (readonly Point[])[]): Path2D {
  const path = new Path2D();
  for (const loop of loops) {
    loop.forEach(({ x, y }, n) => (n === 0 ? path.moveTo(x, y) : path.lineTo(x, y)));
    path.closePath();
  }
  return path;
}

/** Gives a canvas the size of the window in its own pixels, and clears it. */
export function clear(context: CanvasRenderingContext2D, { width, height, density }: Viewport): void {
  const { canvas } = context;
  const [w, h] = [Math.ceil(width * density), Math.ceil(height * density)];
  // A size that is set clears it, too, but costs more.
  if (canvas.width !== w || canvas.height !== h) [canvas.width, canvas.height] = [w, h];
  else {
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, w, h);
  }
}

/** As wide as the brush, readable on any pattern. */
export function ring(context: CanvasRenderingContext2D, viewport: Viewport, at: Point, width: number): void {
  const { density } = viewport;
  const px = toCss(viewport, { x: width, y: 0 }).x - toCss(viewport, { x: 0, y: 0 }).x;
  context.setTransform(density, 0, 0, density, 0, 0);
  for (const [colour, line] of [
    ['#fff', 3],
    ['#1f2430', 1],
  ] as const) {
    context.beginPath();
    context.arc(at.x, at.y, Math.max(2, px / 2), 0, 2 * Math.PI);
    context.strokeStyle = colour;
    context.lineWidth = line;
    context.stroke();
  }
}
