import { normaliseAngle, type Point, pointsAlong } from '../geometry/index.ts';
import { applyOpToPoint, type Lattice, translatesWithin } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { type Circle, poseCircles } from './circleCover.ts';
import { ClearanceField } from './clearanceField.ts';
import type { Tossable, TossedMotif } from './tossTypes.ts';

/** How motifs are laid along a line that is drawn by hand. */
export interface Scatter {
  readonly motifs: readonly string[];
  /** From one place along the line to the next, mm. */
  readonly spacing: number;
  /** As factors on the natural size. */
  readonly smallest: number;
  readonly largest: number;
  readonly rotation: 'along' | 'any' | 'upright';
  /** What is left free around each, mm. */
  readonly gap: number;
  /** Whether they may lie over each other and over what is there. */
  readonly overlapping: boolean;
  readonly seed: number;
}

/** Places along one line, at the most. */
export const MOST_SCATTERED = 2000;
/** Sizes that are tried at a place, from the one that chance picks down to the smallest. */
const SIZES = 5;

/**
 * Lays motifs along a line: at each place one of them by the seed, as large as chance says or as there is room for, and none where even
 * the smallest would come nearer than the gap to anything on the lattice.
 *
 * @param line mm of the plane
 * @param rounds what lies there, by the circles that cover it
 */
export function scatterAlong(
  lattice: Lattice,
  line: readonly Point[],
  scatter: Scatter,
  shapes: ReadonlyMap<string, Tossable>,
  rounds: readonly Circle[],
): TossedMotif[] {
  const random = seeded(scatter.seed);
  const known = scatter.motifs.filter((motif) => shapes.has(motif));
  const length = line.reduce((sum, { x, y }, n) => {
    const before = line[n - 1];
    return before ? sum + Math.hypot(x - before.x, y - before.y) : 0;
  }, 0);
  if (known.length === 0 || line.length === 0) return [];
  const count = Math.min(MOST_SCATTERED, 1 + Math.floor(length / scatter.spacing));
  const places = count > 1 ? pointsAlong(line, count) : [line[0] as Point];
  const widest = Math.max(...known.map((motif) => (shapes.get(motif) as Tossable).rounds.reach)) * scatter.largest;
  const field = new ClearanceField(lattice, widest + scatter.gap);
  if (!scatter.overlapping) field.add(rounds);
  const laid: TossedMotif[] = [];
  places.forEach(({ x, y }, n) => {
    // As many numbers are drawn at each place whatever fits there, so that a change at one leaves the others as they are.
    const [which, size, turn, side] = [random(), random(), random(), random()];
    const motif = known[Math.floor(which * known.length)] as string;
    const { rounds: cover } = shapes.get(motif) as Tossable;
    const before = places[Math.max(0, n - 1)] as Point;
    const after = places[Math.min(places.length - 1, n + 1)] as Point;
    const along = (Math.atan2(after.x - before.x, before.y - after.y) * 180) / Math.PI;
    const rotation =
      scatter.rotation === 'along'
        ? normaliseAngle(along)
        : scatter.rotation === 'any'
          ? normaliseAngle(360 * turn)
          : 0;
    const flipped = scatter.rotation === 'any' && side < 0.5;
    const wished = scatter.smallest + (scatter.largest - scatter.smallest) * size;
    for (let step = 0; step < SIZES; step += 1) {
      const scale = wished + ((scatter.smallest - wished) * step) / (SIZES - 1);
      const circles = poseCircles(cover, { x, y, rotation, scale, aspect: 1, skew: 0, flipped });
      const fits =
        scatter.overlapping || circles.every((circle) => field.atLeast(circle.x, circle.y) >= circle.r + scatter.gap);
      if (fits && (scatter.overlapping || clearsItself(lattice, circles, scatter.gap))) {
        if (!scatter.overlapping) field.add(circles);
        laid.push({ motif, x, y, rotation, scale, flipped });
        return;
      }
    }
  });
  return laid;
}

/** Whether a motif keeps the gap to its own repeats: each circle to all others and itself, through the lattice. */
function clearsItself(lattice: Lattice, circles: readonly Circle[], gap: number): boolean {
  return lattice.ops.every((op, n) =>
    circles.every((own) =>
      circles.every((other) => {
        const seen = applyOpToPoint(op, other);
        const far = own.r + other.r + gap;
        return translatesWithin(lattice, { x: seen.x - own.x, y: seen.y - own.y }, far).every(
          // By the identity alone it is where it is itself.
          ({ x, y }) => n === 0 && Math.hypot(x - other.x + own.x, y - other.y + own.y) < 1e-9,
        );
      }),
    ),
  );
}
