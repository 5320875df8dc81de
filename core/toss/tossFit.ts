import { type Point, UPRIGHT } from '../geometry/index.ts';
import { applyOpToPose, type Lattice, translatesWithin } from '../lattice/index.ts';
import { type Circle, type CircleCover, poseCircles } from './circleCover.ts';
import type { ClearanceField } from './clearanceField.ts';
import type { TossedMotif } from './tossTypes.ts';

/** The radius of the largest round, which has to find room before anything else. */
export function roundOf(rounds: CircleCover): number {
  return rounds.circles[0]?.r ?? 0;
}

/** How it lies so that its largest round is about a point. */
export function centredOn(at: Point, { x, y }: Circle, how: Omit<TossedMotif, 'x' | 'y'>): TossedMotif {
  const [cos, sin] = turnsOf(how.rotation);
  const [px, py] = [(how.flipped ? -x : x) * how.scale, y * how.scale];
  return { ...how, x: at.x - (cos * px - sin * py), y: at.y - (sin * px + cos * py) };
}

/** The mean room that its rounds have over the gap, mm; undefined where one has not enough. */
export function spareOf(
  { circles }: CircleCover,
  { x, y, rotation, scale, flipped }: TossedMotif,
  openness: ClearanceField,
  gap: number,
): number | undefined {
  const [cos, sin] = turnsOf(rotation);
  let sum = 0;
  for (const round of circles) {
    const [px, py] = [(flipped ? -round.x : round.x) * scale, round.y * scale];
    const spare = openness.atLeast(x + cos * px - sin * py, y + sin * px + cos * py) - round.r * scale - gap;
    if (spare < 0) return undefined;
    sum += spare;
  }
  return sum / circles.length;
}

/** Whether it keeps the gap to its own instances and reflections. */
export function isClearOfItself(lattice: Lattice, rounds: CircleCover, laid: TossedMotif, gap: number): boolean {
  const {
    ops,
    shortBasis: [nearest],
  } = lattice;
  const far = 2 * rounds.reach * laid.scale + gap;
  if (ops.length === 1 && nearest.x * nearest.x + nearest.y * nearest.y >= far * far) return true;
  const pose = { ...UPRIGHT, ...laid };
  const own = poseCircles(rounds, pose);
  return ops.every((image) => {
    const other = applyOpToPose(image, pose);
    const isItself = image === ops[0];
    return translatesWithin(lattice, { x: other.x - laid.x, y: other.y - laid.y }, far).every(({ x, y }) => {
      if (isItself && x === 0 && y === 0) return true;
      const there = poseCircles(rounds, { ...other, x: laid.x + x, y: laid.y + y });
      return own.every((p) => there.every((q) => Math.hypot(p.x - q.x, p.y - q.y) >= p.r + q.r + gap));
    });
  });
}

/** Sine and cosine differ in their last digits from machine to machine; rounded they do not, and neither does the toss. */
function turnsOf(degrees: number): readonly [number, number] {
  const angle = (degrees * Math.PI) / 180;
  return [Math.round(Math.cos(angle) * 1e9) / 1e9, Math.round(Math.sin(angle) * 1e9) / 1e9];
}
