import type { Command, Design, Placement } from '../document/index.ts';
import {
  LARGEST_SCALE,
  normaliseAngle,
  type Point,
  pointsAlong,
  rotationMatrix,
  SMALLEST_SCALE,
  transform,
} from '../geometry/index.ts';
import type { Repeat } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';

/** Copies one after another, each so far from the last. */
export interface LineOfCopies {
  readonly kind: 'line';
  /** How many lie there in the end, with the original. */
  readonly count: number;
  readonly by: Point;
}

/** Copies around a centre. */
export interface RingOfCopies {
  readonly kind: 'ring';
  readonly count: number;
  readonly centre: Point;
  /** From the first to where the one after the last would be, degrees clockwise; 360 goes all round. */
  readonly sweep: number;
  /** Whether they turn with it. */
  readonly turning: boolean;
  /** Whether every other one is mirrored, across the line from the centre. */
  readonly flipped: boolean;
}

/** Copies in columns and rows. */
export interface GridOfCopies {
  readonly kind: 'grid';
  readonly columns: number;
  readonly rows: number;
  readonly by: Point;
}

/** Copies along a line of any shape, which is laid so that it begins at the originals. */
export interface PathOfCopies {
  readonly kind: 'path';
  readonly count: number;
  /** Corners, mm; at least two that are apart. */
  readonly path: readonly Point[];
  /** Whether they turn as the line does. */
  readonly turning: boolean;
}

export type CopyPlan = LineOfCopies | RingOfCopies | GridOfCopies | PathOfCopies;

/** How much copies differ from the original: shares of the size, degrees; the same seed gives the same. */
export interface Variation {
  readonly size: number;
  readonly rotation: number;
  readonly seed: number;
}

export const NO_VARIATION: Variation = { size: 0, rotation: 0, seed: 1 };
export const MOST_COPIES = 400;

/** The plan with a grid's columns and rows as far apart as they divide a cell, mm; any other plan as it is. */
export function spreadOver({ width, height }: Pick<Repeat, 'width' | 'height'>, plan: CopyPlan): CopyPlan {
  return plan.kind === 'grid' ? { ...plan, by: { x: width / plan.columns, y: height / plan.rows } } : plan;
}

/**
 * The copies of placements that a plan asks for, nearest first, without the originals themselves.
 *
 * @param idOf the id of the nth copy, counted from 0
 */
export function makeCopies(
  originals: readonly Placement[],
  plan: CopyPlan,
  { size, rotation, seed }: Variation,
  idOf: (n: number) => string,
): Placement[] {
  const random = seeded(seed);
  const vary = (most: number): number => (random() * 2 - 1) * most;
  return placesOf(plan).flatMap((place, step) =>
    originals.map((placement, n): Placement => {
      const copy = place(placement);
      const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, copy.scale * (1 + vary(size))));
      return {
        ...copy,
        id: idOf(step * originals.length + n),
        scale,
        rotation: normaliseAngle(copy.rotation + vary(rotation)),
      };
    }),
  );
}

/** The command that lays copies directly above the topmost of their originals. */
export function insertCopies(design: Design, originals: readonly string[], copies: readonly Placement[]): Command {
  const topmost = design.placements.findLastIndex(({ id }) => originals.includes(id));
  return { type: 'insert', placements: copies.map((placement, n) => ({ index: topmost + 1 + n, placement })) };
}

function placesOf(plan: CopyPlan): ((placement: Placement) => Placement)[] {
  switch (plan.kind) {
    case 'line':
      return Array.from({ length: Math.max(0, plan.count - 1) }, (_, n) =>
        shifted({ x: plan.by.x * (n + 1), y: plan.by.y * (n + 1) }),
      );
    case 'grid':
      return Array.from({ length: plan.columns * plan.rows }, (_, n) => ({
        column: n % plan.columns,
        row: Math.floor(n / plan.columns),
      }))
        .slice(1)
        .map(({ column, row }) => shifted({ x: plan.by.x * column, y: plan.by.y * row }));
    case 'path':
      return along(plan);
    case 'ring':
      return Array.from({ length: Math.max(0, plan.count - 1) }, (_, n) => around(plan, n + 1));
  }
}

function shifted(by: Point): (placement: Placement) => Placement {
  return (placement) => ({ ...placement, x: placement.x + by.x, y: placement.y + by.y });
}

/** Each at an even distance along the path from the one before. */
function along({ path, count, turning }: PathOfCopies): ((placement: Placement) => Placement)[] {
  if (count < 2) return [];
  const points = pointsAlong(path, count);
  const heading = (n: number): number => {
    const [a, b] = [points[Math.max(0, n - 1)] as Point, points[Math.min(count - 1, n + 1)] as Point];
    return (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  };
  const [start] = points as [Point];
  return points.slice(1).map((at, n) => (placement) => ({
    ...placement,
    x: placement.x + at.x - start.x,
    y: placement.y + at.y - start.y,
    rotation: placement.rotation + (turning ? heading(n + 1) - heading(0) : 0),
  }));
}

function around(
  { centre, count, sweep, turning, flipped }: RingOfCopies,
  n: number,
): (placement: Placement) => Placement {
  const angle = (sweep * n) / count;
  const matrix = rotationMatrix(angle);
  return (placement) => {
    const arm = transform(matrix, { x: placement.x - centre.x, y: placement.y - centre.y });
    const turn = placement.rotation + (turning ? angle : 0);
    const placed = { ...placement, x: centre.x + arm.x, y: centre.y + arm.y, rotation: turn };
    if (!flipped || n % 2 === 0) return placed;
    // A mirror along the arm: what lay at an angle to it lies at the same to its other side.
    const arms = (Math.atan2(arm.y, arm.x) * 180) / Math.PI;
    return { ...placed, flipped: !placement.flipped, rotation: 2 * arms - turn + 180, skew: 0 - placement.skew };
  };
}
