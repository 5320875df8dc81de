import fc from 'fast-check';
import { type Placement, withSymmetry } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import { type Lattice, latticeOf, latticeTranslate, pixelGrid } from '../lattice/index.ts';
import { leafAt } from './arbitraries.ts';
import { raster } from './raster.ts';
import { type Coverage } from '../check/coverage.ts';
import { outlineOf } from '../check/outline.ts';

/** A disc 20 mm across. */
export const DISC = raster(160, 160, (u, v) => Math.hypot(u - 0.5, v - 0.5) < 0.5);

export const DISC_MOTIF = { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } };

export const OUTLINES = new Map([['leaf', outlineOf(DISC, DISC_MOTIF)]]);

/** Discs of 20 mm times their scale. */
export function discs(places: readonly (readonly [number, number, number])[]): Placement[] {
  return places.map(([x, y, scale], n) => leafAt(`d${n}`, { ...UPRIGHT, x, y, scale }));
}

/** The cell with its discs drawn in, place by place, by their formula. */
export function drawn(
  repeat: Parameters<typeof latticeOf>[0],
  placements: readonly Placement[],
  labelOf: (id: string) => number = () => 1,
): Coverage {
  const grid = pixelGrid(repeat, 1.6);
  const { width, height } = grid.cell;
  const inks = new Uint8Array(width * height);
  const rows = new Map<number, Placement[]>();
  for (const placement of instances(latticeOf(repeat), placements))
    for (let row = Math.floor(placement.y / 10) - 2; row <= Math.floor(placement.y / 10) + 2; row += 1)
      rows.set(row, [...(rows.get(row) ?? []), placement]);
  const near = ({ y }: { y: number }): readonly Placement[] => rows.get(Math.floor(y / 10)) ?? [];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const at = { x: (x + 0.5) / grid.scaleX, y: (y + 0.5) / grid.scaleY };
      for (const placement of near(at))
        if (Math.hypot(at.x - placement.x, at.y - placement.y) < 10 * placement.scale)
          inks[y * width + x] = labelOf(placement.id);
    }
  }
  return { grid, inks };
}

/** Every instance in and around the cell. */
export function instances(lattice: Lattice, placements: readonly Placement[], far = 3): Placement[] {
  const all: Placement[] = [];
  for (const placement of withSymmetry(lattice, placements)) {
    for (let i = -far; i <= far; i += 1) {
      for (let j = -far; j <= far; j += 1) {
        const by = latticeTranslate(lattice, { i, j });
        all.push({ ...placement, x: placement.x + by.x, y: placement.y + by.y });
      }
    }
  }
  return all;
}

export const anyDiscs = fc.array(
  fc.tuple(
    fc.double({ min: 0, max: 120, noNaN: true }),
    fc.double({ min: 0, max: 100, noNaN: true }),
    fc.double({ min: 0.3, max: 1.2, noNaN: true }),
  ),
  { minLength: 1, maxLength: 7 },
);
