import { applyOpToPoint, indicesTouching, type Lattice, latticeTranslate } from '../lattice/index.ts';
import type { Circle } from './circleCover.ts';
import { ClearanceField } from './clearanceField.ts';

/** An empty round on the cloth: its centre in the cell, its radius, mm. */
export type Hole = Circle;

/** A hole is looked for up to this share of the cell's shorter side. */
const LARGEST_SHARE = 0.5;

/**
 * The largest empty rounds between rounds that lie on the cloth, instances included: the largest first, each the largest that
 * has its centre outside all before it. Centres are those of a raster's places (some 0.8 mm apart in a cell of 400 mm),
 * radii exact about them.
 *
 * @param least mm radius
 */
export function findHoles(lattice: Lattice, rounds: readonly Circle[], least: number, most: number): Hole[] {
  const openness = new ClearanceField(lattice, LARGEST_SHARE * Math.min(lattice.domain.width, lattice.domain.height));
  openness.add(rounds);
  const { field } = openness;
  const order: number[] = [];
  for (let place = 0; place < field.length; place += 1) if ((field[place] as number) >= least) order.push(place);
  order.sort((a, b) => (field[b] as number) - (field[a] as number) || a - b);
  const taken = new Uint8Array(field.length);
  const holes: Hole[] = [];
  for (const place of order) {
    if (taken[place] === 1) continue;
    const r = field[place] as number;
    const { x, y } = openness.middleOf(place);
    holes.push({ x, y, r });
    if (holes.length >= most) break;
    for (const image of lattice.ops) take(openness, taken, { ...applyOpToPoint(image, { x, y }), r });
  }
  return holes;
}

/** Marks every place within a round, through its instances. */
function take({ lattice, columns, rows, stepX, stepY }: ClearanceField, taken: Uint8Array, { x, y, r }: Circle): void {
  const cell = { left: 0, top: 0, right: lattice.domain.width, bottom: lattice.domain.height };
  for (const steps of indicesTouching(lattice, { left: x - r, top: y - r, right: x + r, bottom: y + r }, cell)) {
    const by = latticeTranslate(lattice, steps);
    const [cx, cy] = [x + by.x, y + by.y];
    for (
      let row = Math.max(0, Math.ceil((cy - r) / stepY - 0.5));
      row <= Math.min(rows - 1, (cy + r) / stepY - 0.5);
      row += 1
    ) {
      const half = Math.sqrt(Math.max(0, r * r - ((row + 0.5) * stepY - cy) ** 2));
      const from = Math.max(0, Math.ceil((cx - half) / stepX - 0.5));
      const to = Math.min(columns - 1, Math.floor((cx + half) / stepX - 0.5));
      if (to >= from) taken.fill(1, row * columns + from, row * columns + to + 1);
    }
  }
}
