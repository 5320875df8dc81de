import type { Placement } from '../document/index.ts';
import { applyOpToPoint, isInCell, isRectangular, type Lattice, toFundamentalDomain } from '../lattice/index.ts';
import type { Coverage } from './coverage.ts';
import type { Gap } from './gaps.ts';

/** What lies in one quarter of the cell. */
export interface Quarter {
  /** Share that is drawn on, and of each ink, in the order in which they were told apart; 0 to 1. */
  readonly covered: number;
  readonly inks: readonly number[];
  /** The mean gap, mm, from what has its middle there to its nearest neighbour; undefined where nothing has one near. */
  readonly spacing: number | undefined;
}

/** The four quarters: upper left and right, lower left and right. */
export function measureQuarters(
  lattice: Lattice,
  { grid, inks }: Coverage,
  inkCount: number,
  placements: readonly Placement[],
  gaps: readonly Gap[],
): readonly Quarter[] {
  const { width } = grid.cell;
  // Of reflected cells, the first alone; of one that is no rectangle, what lies in it.
  const own = {
    width: Math.round(lattice.cell.width * grid.scaleX),
    height: Math.round(lattice.cell.height * grid.scaleY),
  };
  const isRectangle = isRectangular(lattice.cell);
  const counts = Array.from({ length: 4 }, () => new Float64Array(inkCount + 1));
  const [across, down] = [own.width / 2, own.height / 2];
  for (let y = 0; y < own.height; y += 1) {
    for (let x = 0; x < own.width; x += 1) {
      if (!isRectangle && !isInCell(lattice.cell, { x: (x + 0.5) / grid.scaleX, y: (y + 0.5) / grid.scaleY })) continue;
      const count = counts[(y < down ? 0 : 2) + (x < across ? 0 : 1)] as Float64Array;
      const label = inks[y * width + x] as number;
      count[label] = (count[label] as number) + 1;
    }
  }
  const nearest = new Map<string, number>();
  for (const { a, b, mm } of gaps)
    for (const id of [a, b]) nearest.set(id, Math.min(nearest.get(id) ?? Infinity, Math.max(0, mm)));
  return counts.map((count, n) => {
    const all = count.reduce((sum, one) => sum + one, 0);
    const shares = Array.from(count.subarray(1), (one) => one / all);
    const found = placements
      .filter((placement) => quarterOf(lattice, placement) === n)
      .flatMap(({ id }) => nearest.get(id) ?? []);
    return {
      covered: shares.reduce((sum, one) => sum + one, 0),
      inks: shares,
      spacing: found.length === 0 ? undefined : found.reduce((sum, one) => sum + one, 0) / found.length,
    };
  });
}

function quarterOf(lattice: Lattice, placement: Placement): number {
  const { width, height } = lattice.cell;
  const places = lattice.ops.map((image) => toFundamentalDomain(lattice, applyOpToPoint(image, placement)));
  const { x, y } = places.find((at) => isInCell(lattice.cell, at)) ?? placement;
  return (y < height / 2 ? 0 : 2) + (x < width / 2 ? 0 : 1);
}
