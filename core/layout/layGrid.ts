import { normaliseAngle, type Point, poseOf, UPRIGHT } from '../geometry/index.ts';
import type { Lattice } from '../lattice/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { GridRecipe } from '../recipe/index.ts';
import type { RowLayout } from './layRow.ts';
import { superlatticeNearest, superlatticePoints, superlatticesOf } from './superlattice.ts';

type Sized = Pick<Motif, 'width' | 'view'>;
type Placed = RowLayout['placed'];

/** Stripes reach so far into their own instances that no line shows where they meet, mm. */
const OVERLAP = 1;
/** Stripes run along the lattice's vectors of at most so many steps. */
const FARTHEST = 6;

/** The angles at which a grid closes on the lattice, degrees clockwise, ascending. */
export function anglesOf(lattice: Lattice, { figure, count }: Pick<GridRecipe, 'figure' | 'count'>): number[] {
  if (figure === 'stripes') return directionsOf(lattice).map(({ angle }) => angle);
  return superlatticesOf(lattice, count).map(({ angle }) => (figure === 'dots' ? angle : normaliseAngle(angle + 45)));
}

/** The one of these angles that is nearest to a typed one: of stripes as lines are, of the others quarter turns alike. */
export function nearestAngle(angles: readonly number[], angle: number, { figure }: Pick<GridRecipe, 'figure'>): number {
  const every = figure === 'stripes' ? 180 : 90;
  const off = (one: number): number => {
    const apart = (((one - angle) % every) + every) % every;
    return Math.min(apart, every - apart);
  };
  return angles.reduce((best, one) => (off(one) < off(best) - 1e-9 ? one : best));
}

/** Lays a grid all over the cell, which keeps its size. */
export function layGrid(lattice: Lattice, recipe: GridRecipe, motif: Sized): Placed {
  return recipe.figure === 'stripes' ? stripes(lattice, recipe, motif) : meshes(lattice, recipe, motif);
}

function meshes(lattice: Lattice, { figure, motif: id, fitted, count, angle, size }: GridRecipe, motif: Sized): Placed {
  const grid = superlatticeNearest(superlatticesOf(lattice, count), figure === 'dots' ? angle : angle - 45);
  const { u, v } = grid;
  const height = naturalHeight(motif);
  let shape: Omit<Placed[number], 'x' | 'y' | 'motif'>;
  if (!fitted) {
    shape = { ...UPRIGHT, scale: (size * Math.hypot(u.x, u.y)) / Math.max(motif.width, height) };
  } else if (figure === 'dots') {
    const across = size * Math.hypot(u.x, u.y);
    shape = { ...UPRIGHT, scale: across / motif.width, aspect: motif.width / height };
  } else {
    // Checks fill every other field of the grid's half meshes; ogees reach to the points two diagonals away.
    const half = figure === 'checks' ? 0.5 : 1;
    let [first, second] = [
      { x: (u.x - v.x) * half, y: (u.y - v.y) * half },
      { x: (u.x + v.x) * half, y: (u.y + v.y) * half },
    ];
    if (Math.abs(first.y) > Math.abs(first.x)) [first, second] = [second, first];
    if (first.x < 0) first = { x: -first.x, y: -first.y };
    if (first.x * second.y - first.y * second.x < 0) second = { x: -second.x, y: -second.y };
    shape = poseOf([
      (first.x * size) / motif.width,
      (first.y * size) / motif.width,
      (second.x * size) / height,
      (second.y * size) / height,
      0,
      0,
    ]);
  }
  const { rotation, scale, aspect, skew, flipped } = shape;
  // Half a mesh off the cell's corner.
  return superlatticePoints(grid).map((point) => ({
    motif: id,
    x: point.x + (u.x + v.x) / 2,
    y: point.y + (u.y + v.y) / 2,
    rotation: normaliseAngle(rotation),
    scale,
    aspect,
    skew,
    flipped,
  }));
}

interface Direction {
  readonly v: Point;
  /** Degrees, above -90 to 90. */
  readonly angle: number;
}

/** The lattice's directions by angle; of equal ones the shortest vector. */
function directionsOf({ a, b }: Lattice): Direction[] {
  const all: Direction[] = [];
  for (let i = 0; i <= FARTHEST; i += 1) {
    for (let j = i === 0 ? 1 : -FARTHEST; j <= FARTHEST; j += 1) {
      const v = { x: i * a.x + j * b.x, y: i * a.y + j * b.y };
      const angle = (Math.atan2(v.y, v.x) * 180) / Math.PI;
      all.push({ v, angle: angle > 90 + 1e-9 ? angle - 180 : angle <= -90 + 1e-9 ? angle + 180 : angle });
    }
  }
  const length = ({ v }: Direction): number => Math.hypot(v.x, v.y);
  return all
    .sort((p, q) => p.angle - q.angle || length(p) - length(q))
    .filter((direction, n, list) => n === 0 || Math.abs(direction.angle - (list[n - 1] as Direction).angle) > 1e-6);
}

function stripes(
  lattice: Lattice,
  { motif: id, fitted, count, angle, size, figure }: GridRecipe,
  motif: Sized,
): Placed {
  const directions = directionsOf(lattice);
  const wanted = nearestAngle(
    directions.map((direction) => direction.angle),
    angle,
    { figure },
  );
  const { v, angle: turn } = directions.find((direction) => direction.angle === wanted) as Direction;
  const length = Math.hypot(v.x, v.y);
  const period = (lattice.domain.width * lattice.domain.height) / length;
  const normal = { x: -v.y / length, y: v.x / length };
  const between = period / count;
  const height = naturalHeight(motif);
  const scale = fitted ? (length + OVERLAP) / motif.width : (size * between) / height;
  const along = fitted ? 1 : Math.max(1, Math.floor(length / (motif.width * scale)));
  const stretch = fitted ? (size * between) / height / scale : 1;
  return Array.from({ length: count * along }, (_, n) => {
    const [down, on] = [(Math.floor(n / along) + 0.5) * between, ((n % along) + 0.5) / along];
    return {
      ...UPRIGHT,
      motif: id,
      scale,
      aspect: stretch,
      rotation: normaliseAngle(turn),
      x: normal.x * down + v.x * on,
      y: normal.y * down + v.y * on,
    };
  });
}
