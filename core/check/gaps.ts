import Flatbush from 'flatbush';
import { type Placement, shownBy } from '../document/index.ts';
import {
  type Box,
  compose,
  invert,
  largestStretch,
  type Matrix,
  type Point,
  poseMatrix,
  translationMatrix,
} from '../geometry/index.ts';
import { indicesTouching, type Lattice, latticeTranslate } from '../lattice/index.ts';
import { distanceFrom, type Outline, type OutlineSpan } from './outline.ts';

/** How far what is drawn of two placements lies apart, one of them where it is stored and the other at one of its instances. */
export interface Gap {
  readonly a: string;
  readonly b: string;
  /** mm; below 0 where they lie over each other, by how much. */
  readonly mm: number;
  /** Where on the edge of the one they are nearest, mm on the plane. */
  readonly at: Point;
}

interface Body {
  /** The number of its placement, and whether it is that and not how an operation shows it. */
  readonly of: number;
  readonly isStored: boolean;
  readonly id: string;
  readonly outline: Outline;
  readonly matrix: Matrix;
  readonly back: Matrix;
  /** mm that one mm of the motif becomes, the least and the most. */
  readonly least: number;
  readonly most: number;
  readonly box: Box;
}

/**
 * The gaps between placements that lie nearer to each other than `within`, by what is drawn of them and over joins; also from
 * one to its own instances and reflections. Measured at points of the edge of the smaller of each two, so right to
 * about a place of the motifs' rasters; of those stretched or slanted rather too small.
 *
 * @param within mm
 */
export function findGaps(
  lattice: Lattice,
  placements: readonly Placement[],
  outlines: ReadonlyMap<string, Outline>,
  within: number,
): Gap[] {
  const bodies = shownBy(lattice, placements).flatMap(({ placement, of, op }): Body[] => {
    const outline = outlines.get(placement.motif);
    const matrix = poseMatrix(placement);
    const back = invert(matrix);
    if (!outline || !back || outline.points.length === 0) return [];
    const most = largestStretch(matrix);
    const far = outline.reach * most;
    return [
      {
        of,
        isStored: op === 0,
        id: placement.id,
        outline,
        matrix,
        back,
        most,
        least: 1 / largestStretch(back),
        box: { left: placement.x - far, top: placement.y - far, right: placement.x + far, bottom: placement.y + far },
      },
    ];
  });
  const own = bodies.filter(({ isStored }) => isStored);
  if (own.length === 0) return [];
  // Everything that may come near to what is stored, wherever its instances lie.
  const hull = own.reduce(
    (all, { box }) => ({
      left: Math.min(all.left, box.left),
      top: Math.min(all.top, box.top),
      right: Math.max(all.right, box.right),
      bottom: Math.max(all.bottom, box.bottom),
    }),
    { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity },
  );
  const wide = {
    left: hull.left - within,
    top: hull.top - within,
    right: hull.right + within,
    bottom: hull.bottom + within,
  };
  const shown = bodies.flatMap((body) =>
    indicesTouching(lattice, body.box, wide).map((steps) => ({ body, steps, by: latticeTranslate(lattice, steps) })),
  );
  const tree = new Flatbush(shown.length);
  for (const {
    body: { box },
    by,
  } of shown)
    tree.add(box.left + by.x, box.top + by.y, box.right + by.x, box.bottom + by.y);
  tree.finish();
  const gaps: Gap[] = [];
  for (const one of own) {
    const { left, top, right, bottom } = one.box;
    for (const n of tree.search(left - within, top - within, right + within, bottom + within)) {
      const { body, steps, by } = shown[n] as (typeof shown)[number];
      if (body.of < one.of) continue;
      // Of an instance and the instance to the other side, which are the same gap, one.
      if (body.of === one.of && body.isStored && !(steps.i > 0 || (steps.i === 0 && steps.j > 0))) continue;
      const far = one.outline.reach * one.most + body.outline.reach * body.most + within;
      if ((by.x + body.matrix[4] - one.matrix[4]) ** 2 + (by.y + body.matrix[5] - one.matrix[5]) ** 2 >= far * far)
        continue;
      const found = gapOf(one, body, by, within);
      if (found) gaps.push({ a: one.id, b: body.id, ...found });
    }
  }
  return gaps.sort((p, q) => p.mm - q.mm);
}

/** The field grows no faster than this for each mm: between four places by the root of two at the most, and places are not quite square. */
const STEEPEST = 1.5;

/** How far, at least, the points of each stretch may be; kept from gap to gap. */
let bounds = new Float64Array(256);

/**
 * The gap between one where it is and another moved by `by`, where it is below `within`. Stretches of the edge are asked by
 * their middles first, and only those looked at point by point that may hold the nearest.
 */
function gapOf(body: Body, other: Body, by: Point, within: number): { mm: number; at: Point } | undefined {
  const isSmaller = body.outline.reach * body.most <= other.outline.reach * other.most;
  const [from, to] = isSmaller ? [body, other] : [other, body];
  const [fx, fy] = isSmaller ? [0, 0] : [by.x, by.y];
  const [tx, ty] = isSmaller ? [by.x, by.y] : [0, 0];
  const { points, stretches } = from.outline;
  // From the one motif to the plane, and on into the other.
  const [a, b, c, d, e, f] = compose(translationMatrix(fx, fy), from.matrix);
  const across = compose(to.back, [a, b, c, d, e - tx, f - ty]);
  const [p, q, r, s, u, v] = across;
  const distance = (x: number, y: number): number =>
    distanceFrom(to.outline, p * x + r * y + u, q * x + s * y + v) * to.least;
  const edge = (Math.max(from.outline.across, from.outline.down) / 2) * from.least;
  if (bounds.length < stretches.length) bounds = new Float64Array(2 * stretches.length);
  let nearest = 0;
  stretches.forEach(({ x, y, r: radius }, n) => {
    bounds[n] = distance(x, y) - STEEPEST * radius * from.most - edge;
    if (bounds[n] < (bounds[nearest] as number)) nearest = n;
  });
  let mm = within;
  let best = -1;
  // The likeliest first, after which most of the others cannot be.
  for (let k = -1; k < stretches.length; k += 1) {
    const n = k < 0 ? nearest : k;
    if (k === nearest || (bounds[n] as number) >= mm) continue;
    const stretch = stretches[n] as OutlineSpan;
    for (let at = stretch.from; at < stretch.to; at += 2) {
      const far = distance(points[at] as number, points[at + 1] as number) - edge;
      if (far >= mm) continue;
      mm = far;
      best = at;
    }
  }
  if (best < 0) return undefined;
  const [x, y] = [points[best] as number, points[best + 1] as number];
  return { mm, at: { x: a * x + c * y + e, y: b * x + d * y + f } };
}
