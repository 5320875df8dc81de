import type { InkResolver } from '../../core/document/index.ts';
import { instancesIn, isSmooth, knotKey } from '../../core/draw/index.ts';
import { type Matrix, type Point, transform } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import { type Artwork, boxOfView } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import type { OpenedPoints } from '../editor/openedPoints.ts';
import type { PointsEditing } from '../editor/pointsEditing.ts';
import { planeMatrix, toCss, type Viewport, windowMm } from './viewport.ts';

/** Half the side of a point's mark, CSS pixels; where more than so many are in sight they are smaller. */
const [HALF, SMALL_HALF, MANY] = [3.5, 2, 400];

/** Draws a motif that is being changed as it is now, in all its instances. @param frame from its units to the plane */
export function drawOpenedMotif(
  context: CanvasRenderingContext2D,
  artwork: Artwork,
  frame: Matrix,
  {
    viewport,
    resolve,
    lattice,
    backend,
  }: {
    readonly viewport: Viewport;
    readonly resolve: InkResolver;
    readonly lattice: Lattice;
    readonly backend: CanvasBackend;
  },
): void {
  const { width, height } = context.canvas;
  for (const matrix of instancesIn(lattice, frame, boxOfView(artwork.view), windowMm(viewport)))
    paintArtwork(context, artwork.nodes, planeMatrix(viewport, matrix), { backend, resolve, width, height });
}

/** Draws the points of a motif that is open, squares for corners and rounds for smooth ones, and the handles of those selected. */
export function drawPoints(
  context: CanvasRenderingContext2D,
  points: PointsEditing,
  { frame }: OpenedPoints,
  viewport: Viewport,
): void {
  const { density, width, height } = viewport;
  const seen = (p: Point): Point => toCss(viewport, transform(frame, p));
  const selected = points.selected.getState();
  context.setTransform(density, 0, 0, density, 0, 0);
  const inSight = points.lines.getState().flatMap(({ knots }, line) =>
    knots.flatMap((knot, n) => {
      const at = seen(knot);
      return at.x < -40 || at.y < -40 || at.x > width + 40 || at.y > height + 40 ? [] : [{ knot, at, line, n }];
    }),
  );
  const half = inSight.length > MANY ? SMALL_HALF : HALF;
  inSight.forEach(({ knot, at, line, n }) => {
    const isSelected = selected.has(knotKey({ line, knot: n }));
    if (isSelected)
      for (const end of [knot.into, knot.out]) {
        if (Math.hypot(end.x - knot.x, end.y - knot.y) >= 1e-6) drawHandle(context, at, seen(end), half);
      }
    drawMark(context, at, isSmooth(knot), isSelected, half);
  });
}

function twoTone(context: CanvasRenderingContext2D, path: () => void): void {
  for (const [colour, line] of [
    ['#fff', 3],
    ['#1f2430', 1],
  ] as const) {
    context.beginPath();
    path();
    context.strokeStyle = colour;
    context.lineWidth = line;
    context.stroke();
  }
}

/** A handle, from its point to its end. */
export function drawHandle(context: CanvasRenderingContext2D, from: Point, to: Point, half = HALF): void {
  if (Math.hypot(to.x - from.x, to.y - from.y) < 1) return;
  twoTone(context, () => {
    context.moveTo(from.x, from.y);
    context.lineTo(to.x, to.y);
  });
  drawMark(context, to, true, false, half);
}

/** A point, CSS pixels: round where a curve goes through it without a corner. */
export function drawMark(
  context: CanvasRenderingContext2D,
  { x, y }: Point,
  isRound: boolean,
  isFilled: boolean,
  half = HALF,
): void {
  context.beginPath();
  if (isRound) context.arc(x, y, half, 0, 2 * Math.PI);
  else context.rect(x - half, y - half, 2 * half, 2 * half);
  context.fillStyle = isFilled ? '#1f2430' : '#fff';
  context.fill();
  context.strokeStyle = isFilled ? '#fff' : '#1f2430';
  context.lineWidth = 1.25;
  context.stroke();
}
