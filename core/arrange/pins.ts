import { cornersAround, LARGEST_SCALE, SMALLEST_SCALE, type Placement, type PlacementChange } from '../document/placement.ts';
import type { Point } from '../geometry/point.ts';
import type { Motif } from '../motif/motif.ts';

/** Corners in the order of `cornersAround`: top left, top right, bottom right, bottom left of the motif itself. */
export type Corner = 0 | 1 | 2 | 3;

/**
 * The change that brings a corner pin as near to `to` as the motif's proportions allow.
 *
 * @param to mm, on the plane on which the placement lies at its own place
 * @param aboutCentre keeps the centre instead of the opposite corner
 */
export function resized(placement: Placement, motif: Pick<Motif, 'width' | 'view'>, corner: Corner, to: Point, aboutCentre: boolean): PlacementChange {
  const corners = cornersAround(placement, motif);
  const pin = corners[corner];
  const fixed = aboutCentre ? { x: 0, y: 0 } : corners[((corner + 2) % 4) as Corner];
  const [dx, dy] = [pin.x - fixed.x, pin.y - fixed.y];
  const along = ((to.x - placement.x - fixed.x) * dx + (to.y - placement.y - fixed.y) * dy) / (dx * dx + dy * dy);
  const scale = Math.min(LARGEST_SCALE, Math.max(SMALLEST_SCALE, placement.scale * along));
  const factor = scale / placement.scale;
  return { scale, x: placement.x + fixed.x * (1 - factor), y: placement.y + fixed.y * (1 - factor) };
}

/**
 * The change that turns a placement as far as the pointer has gone round its centre.
 *
 * @param by degrees that the result is a multiple of; 0 for any angle
 */
export function turnedBy(placement: Placement, from: Point, to: Point, by: number): PlacementChange {
  const angle = (p: Point): number => (Math.atan2(p.y - placement.y, p.x - placement.x) * 180) / Math.PI;
  const turn = placement.turn + angle(to) - angle(from);
  return { turn: withinTurn(by > 0 ? Math.round(turn / by) * by : turn) };
}

/** The same angle above -180 and up to 180 degrees, without a sign on nothing. */
export function withinTurn(degrees: number): number {
  const turn = ((degrees % 360) + 360) % 360;
  return (turn > 180 ? turn - 360 : turn) + 0;
}
