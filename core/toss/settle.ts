import type { PlacementChanges } from '../arrange/index.ts';
import type { Placement } from '../document/index.ts';
import { normaliseAngle } from '../geometry/index.ts';
import { applyOpToPose, type Lattice, translatesWithin } from '../lattice/index.ts';
import { type Circle, type CircleCover, poseCircles } from './circleCover.ts';

/** How far one settling goes, in shares of the room to the neighbours. */
const STRIDE = 0.25;
const ROUNDS_OF_MOVES = 6;
/** Degrees a motif turns at the most in one move. */
const MOST_TURN = 4;

interface Body {
  placement: Placement;
  rounds: readonly Circle[];
  readonly moves: boolean;
  readonly shape: CircleCover;
}

/**
 * Evens out the spacing of placements by small moves: each goes away from what is nearest to it and towards its room, never nearer to
 * anything than it was to its nearest. Pressed again, it goes on.
 *
 * @param chosen ids of those that move; all else stays and is kept clear of
 * @returns the changes, at the stored places
 */
export function settle(
  lattice: Lattice,
  placements: readonly Placement[],
  chosen: ReadonlySet<string>,
  shapes: ReadonlyMap<string, CircleCover>,
  turning: boolean,
): PlacementChanges {
  const bodies = placements.flatMap((placement): Body[] => {
    const shape = shapes.get(placement.motif);
    return shape ? [{ placement, shape, rounds: poseCircles(shape, placement), moves: chosen.has(placement.id) }] : [];
  });
  const spacing = Math.sqrt(lattice.cell.area / Math.max(1, bodies.length));
  for (let n = 0; n < ROUNDS_OF_MOVES; n += 1) {
    for (const body of bodies) if (body.moves) move(lattice, bodies, body, spacing, turning);
  }
  const before = new Map(placements.map((placement) => [placement.id, placement]));
  return Object.fromEntries(
    bodies.flatMap(({ placement: { id, x, y, rotation }, moves }) => {
      const from = before.get(id);
      return moves && from && (from.x !== x || from.y !== y || from.rotation !== rotation)
        ? [[id, { x, y, rotation }]]
        : [];
    }),
  );
}

function move(lattice: Lattice, bodies: readonly Body[], body: Body, spacing: number, turning: boolean): void {
  const { placement } = body;
  const near = bodies.flatMap((other) => instancesNear(lattice, body, other, spacing));
  if (near.length === 0) return;
  let [fx, fy, torque, least] = [0, 0, 0, Infinity];
  for (const rounds of near) {
    const { gap, x, y, at } = nearestPair(body.rounds, rounds);
    least = Math.min(least, gap);
    const weight = Math.max(0, 1 - gap / spacing) ** 2;
    fx += x * weight;
    fy += y * weight;
    torque += weight * ((at.x - placement.x) * y - (at.y - placement.y) * x);
  }
  const length = Math.hypot(fx, fy);
  if (length === 0) return;
  const stride = STRIDE * Math.min(length, 1) * Math.max(0.5, Math.abs(least));
  const turn = turning
    ? Math.max(-MOST_TURN, Math.min(MOST_TURN, (torque / Math.max(1, body.shape.reach * placement.scale)) * MOST_TURN))
    : 0;
  for (const share of [1, 0.5, 0.2]) {
    const next = {
      ...placement,
      x: placement.x + (fx / length) * stride * share,
      y: placement.y + (fy / length) * stride * share,
      rotation: turn === 0 ? placement.rotation : normaliseAngle(placement.rotation + turn * share),
    };
    const rounds = poseCircles(body.shape, next);
    // Never nearer to anything than the nearest was.
    if (near.some((other) => nearestPair(rounds, other).gap < least)) continue;
    body.placement = next;
    body.rounds = rounds;
    return;
  }
}

/** The instances of another that may lie near, as rounds; of itself its instances and reflections. */
function instancesNear(lattice: Lattice, body: Body, other: Body, spacing: number): Circle[][] {
  const far =
    body.shape.reach * body.placement.scale * Math.max(1, body.placement.aspect) +
    other.shape.reach * other.placement.scale * Math.max(1, other.placement.aspect) +
    spacing;
  return lattice.ops.flatMap((image) => {
    const isItself = image === lattice.ops[0];
    const shown = applyOpToPose(image, other.placement);
    const rounds = isItself ? other.rounds : poseCircles(other.shape, shown);
    return translatesWithin(lattice, { x: shown.x - body.placement.x, y: shown.y - body.placement.y }, far).flatMap(
      ({ x, y }) => {
        if (other === body && isItself && x === 0 && y === 0) return [];
        const [dx, dy] = [body.placement.x + x - shown.x, body.placement.y + y - shown.y];
        return [rounds.map((round) => ({ x: round.x + dx, y: round.y + dy, r: round.r }))];
      },
    );
  });
}

/** The two rounds that lie nearest: the gap between them, the direction away from the other, and where on the body that is. */
function nearestPair(
  own: readonly Circle[],
  other: readonly Circle[],
): { gap: number; x: number; y: number; at: Circle } {
  let [gap, x, y] = [Infinity, 0, 0];
  let at = own[0] as Circle;
  for (const p of own) {
    for (const q of other) {
      const [dx, dy] = [p.x - q.x, p.y - q.y];
      const distance = Math.sqrt(dx * dx + dy * dy);
      const between = distance - p.r - q.r;
      if (between >= gap) continue;
      gap = between;
      at = p;
      [x, y] = distance > 0 ? [dx / distance, dy / distance] : [1, 0];
    }
  }
  return { gap, x, y, at };
}
