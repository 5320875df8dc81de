import { getStroke } from 'perfect-freehand';
import type { Point } from '../geometry/index.ts';
import type { Brush } from '../recipe/index.ts';
import { hashed, unitOf } from '../random/index.ts';
import { closely } from './closely.ts';
import type { PenPoint } from './penPoint.ts';
import { smoothPoints } from './smoothPoints.ts';

/** How far a rough edge strays, as a share of the width; and how far apart along the edge its bumps are. */
const [STRAY, BUMP] = [0.12, 0.35];
/** Points to a bump; but none nearer to each other than this, mm, which nobody sees. */
const [TO_A_BUMP, NEAREST] = [8, 0.1];

/** Points of a stroke lie no farther apart than this share of its width, but may lie this far apart, mm. */
const [FAR, LEAST_FAR] = [0.35, 0.4];

/**
 * What a stroke covers, as a closed line in mm; of a single point a dot.
 *
 * @param isDone whether the pen was lifted; the end of one under way is blunt
 */
export function strokeOutline(points: readonly PenPoint[], brush: Brush, seed: number, isDone = true): Point[] {
  const { width, thinning, pressure, taperStart, taperEnd, smoothing } = brush;
  if (isDot(points, width)) return finished(dot(points, brush), brush, seed);
  const outline = getStroke(
    smoothPoints(points, Math.max(LEAST_FAR, FAR * width)).map(
      ({ x, y, pressure: pressed }): [number, number, number] => [x, y, pressure === 'none' ? 1 : pressed],
    ),
    {
      size: width,
      thinning: pressure === 'none' ? 0 : thinning,
      smoothing,
      streamline: 0.1 + 0.6 * smoothing,
      simulatePressure: pressure === 'speed',
      start: { taper: taperStart, cap: true },
      end: { taper: taperEnd, cap: true },
      last: isDone,
    },
  );
  return finished(
    outline.map(([x, y]) => ({ x, y })),
    brush,
    seed,
  );
}

/** A hand that goes no farther than this share of the width only touches. */
const TOUCH = 0.25;
const DOT_POINTS = 64;

function isDot(points: readonly PenPoint[], width: number): boolean {
  const [first] = points;
  return points.every(({ x, y }) => first && Math.hypot(x - first.x, y - first.y) <= TOUCH * width);
}

/** What a touch leaves: round, as wide as the brush under its firmest pressure. */
function dot(points: readonly PenPoint[], { width, thinning, pressure }: Brush): Point[] {
  const [first] = points;
  if (!first) return [];
  const pressed = pressure === 'pen' ? Math.max(...points.map((point) => point.pressure)) : 1;
  const radius = (width / 2) * Math.min(1, Math.max(0.1, 1 - Math.max(0, thinning) * (1 - pressed)));
  return Array.from({ length: DOT_POINTS }, (_, n) => {
    const angle = (2 * Math.PI * n) / DOT_POINTS;
    return { x: first.x + radius * Math.cos(angle), y: first.y + radius * Math.sin(angle) };
  });
}

const finished = (outline: Point[], { width, roughness }: Brush, seed: number): Point[] =>
  roughness > 0 ? roughened(outline, width * roughness, seed) : outline;

/** Moves the points of a closed line in and out by a noise that runs along it. */
function roughened(smooth: readonly Point[], width: number, seed: number): Point[] {
  const outline = closely(smooth, Math.max(NEAREST, (BUMP * width) / TO_A_BUMP));
  let along = 0;
  return outline.map((point, n) => {
    const before = outline[(n + outline.length - 1) % outline.length] as Point;
    const after = outline[(n + 1) % outline.length] as Point;
    along += n === 0 ? 0 : Math.hypot(point.x - before.x, point.y - before.y);
    const [dx, dy] = [after.x - before.x, after.y - before.y];
    const length = Math.hypot(dx, dy);
    if (length === 0) return point;
    const by = STRAY * width * noise(along / (BUMP * width), seed);
    return { x: point.x - (dy / length) * by, y: point.y + (dx / length) * by };
  });
}

/** A smooth noise along a line, -1 to 1. */
function noise(at: number, seed: number): number {
  const cell = Math.floor(at);
  const share = at - cell;
  const ease = share * share * (3 - 2 * share);
  const [a, b] = [unitOf(hashed(seed, cell, 0)), unitOf(hashed(seed, cell + 1, 0))];
  return 2 * (a + (b - a) * ease) - 1;
}
