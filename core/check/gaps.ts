import Flatbush from 'flatbush';
import { withImages } from '../document/imaged.ts';
import type { Placement } from '../document/placement.ts';
import type { Box } from '../geometry/box.ts';
import { invert, largestStretch, type Matrix } from '../geometry/matrix.ts';
import { poseMatrix } from '../geometry/pose.ts';
import type { Point } from '../geometry/point.ts';
import { echoesTouching } from '../repeat/echoes.ts';
import { displacement, type Lattice } from '../repeat/lattice.ts';
import { distanceFrom, type Outline } from './outline.ts';

/** How far what is drawn of two placements lies apart, one of them where it is stored and the other at one of its appearances. */
export interface Gap {
  readonly a: string;
  readonly b: string;
  /** mm; below 0 where they lie over each other, by how much. */
  readonly mm: number;
  /** Where on the edge of the one they are nearest, mm on the plane. */
  readonly at: Point;
}

interface Body {
  readonly index: number;
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
 * one to its own echoes and reflections. Measured at points of the edge of the smaller of each two, so right to
 * about a place of the motifs' rasters; of those stretched or slanted rather too small.
 *
 * @param within mm
 */
export function gapsBetween(lattice: Lattice, placements: readonly Placement[], outlines: ReadonlyMap<string, Outline>, within: number): Gap[] {
  const bodies = withImages(lattice, placements).flatMap((one, index): Body[] => {
    const outline = outlines.get(one.motif);
    const matrix = poseMatrix(one);
    const back = invert(matrix);
    if (!outline || !back || outline.points.length === 0) return [];
    const most = largestStretch(matrix);
    const far = outline.reach * most;
    return [{ index, id: one.id, outline, matrix, back, most, least: 1 / largestStretch(back), box: { left: one.x - far, top: one.y - far, right: one.x + far, bottom: one.y + far } }];
  });
  const count = lattice.images.length;
  const own = bodies.filter(({ index }) => index % count === 0);
  if (own.length === 0) return [];
  // Everything that may come near to what is stored, wherever its echoes lie.
  const hull = own.reduce((all, { box }) => ({ left: Math.min(all.left, box.left), top: Math.min(all.top, box.top), right: Math.max(all.right, box.right), bottom: Math.max(all.bottom, box.bottom) }), { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity });
  const wide = { left: hull.left - within, top: hull.top - within, right: hull.right + within, bottom: hull.bottom + within };
  const shown = bodies.flatMap((body) => echoesTouching(lattice, body.box, wide).map((steps) => ({ body, steps, by: displacement(lattice, steps) })));
  const tree = new Flatbush(shown.length);
  for (const { body: { box }, by } of shown) tree.add(box.left + by.x, box.top + by.y, box.right + by.x, box.bottom + by.y);
  tree.finish();
  const gaps: Gap[] = [];
  for (const one of own) {
    const { left, top, right, bottom } = one.box;
    for (const n of tree.search(left - within, top - within, right + within, bottom + within)) {
      const { body, steps, by } = shown[n] as (typeof shown)[number];
      const [first, second] = [one.index / count, Math.floor(body.index / count)];
      if (second < first) continue;
      // Of an echo and the echo to the other side, which are the same gap, one.
      if (second === first && body.index % count === 0 && !(steps.i > 0 || (steps.i === 0 && steps.j > 0))) continue;
      const found = gapOf(one, body, by, within);
      if (found) gaps.push({ a: one.id, b: body.id, ...found });
    }
  }
  return gaps.sort((p, q) => p.mm - q.mm);
}

/** The gap between one where it is and another moved by `by`, where it is below `within`. */
function gapOf(one: Body, other: Body, by: Point, within: number): { mm: number; at: Point } | undefined {
  const isSmaller = one.outline.reach * one.most <= other.outline.reach * other.most;
  const [from, to] = isSmaller ? [one, other] : [other, one];
  const [fx, fy] = isSmaller ? [0, 0] : [by.x, by.y];
  const [tx, ty] = isSmaller ? [by.x, by.y] : [0, 0];
  const { points } = from.outline;
  const [a, b, c, d, e, f] = from.matrix;
  const [p, q, r, s, u, v] = to.back;
  const edge = (Math.max(from.outline.across, from.outline.down) / 2) * from.least;
  let mm = within;
  let at: Point | undefined;
  for (let n = 0; n < points.length; n += 2) {
    const [px, py] = [points[n] as number, points[n + 1] as number];
    const x = a * px + c * py + e + fx;
    const y = b * px + d * py + f + fy;
    const distance = distanceFrom(to.outline, p * (x - tx) + r * (y - ty) + u, q * (x - tx) + s * (y - ty) + v) * to.least - edge;
    if (distance >= mm) continue;
    mm = distance;
    at = { x, y };
  }
  return at && { mm, at };
}
