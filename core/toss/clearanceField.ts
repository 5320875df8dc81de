import type { Point } from '../geometry/index.ts';
import {
  applyOpToPoint,
  indicesTouching,
  type Lattice,
  latticeTranslate,
  toFundamentalDomain,
} from '../lattice/index.ts';
import type { Circle } from './circleCover.ts';

/** Places of the raster over one cell, at most. */
const MOST_PLACES = 320_000;
/** Finer than this it is never, mm. */
const FINEST = 0.35;

/**
 * How far every place of one cell is from the nearest round on the cloth, instances included. Kept on a raster and brought up to date
 * round by round; distances are exact at the middles of its places, and bounded in between.
 */
export class ClearanceField {
  readonly columns: number;
  readonly rows: number;
  /** mm between the middles of places. */
  readonly stepX: number;
  readonly stepY: number;
  /** mm; below 0 within a round; `reach` where nothing is that near. Row after row. */
  readonly field: Float32Array;

  /** @param reach mm; farther than this nothing is told apart */
  constructor(
    readonly lattice: Lattice,
    readonly reach: number,
  ) {
    const { width, height } = lattice.domain;
    const step = Math.max(FINEST, Math.sqrt((width * height) / MOST_PLACES));
    this.columns = Math.max(2, Math.ceil(width / step));
    this.rows = Math.max(2, Math.ceil(height / step));
    this.stepX = width / this.columns;
    this.stepY = height / this.rows;
    this.field = new Float32Array(this.columns * this.rows).fill(reach);
  }

  /** The middle of a place, mm in the cell. */
  middleOf(place: number): Point {
    return { x: ((place % this.columns) + 0.5) * this.stepX, y: (Math.floor(place / this.columns) + 0.5) * this.stepY };
  }

  /** Takes rounds into account, each standing for all its instances and reflections. */
  add(rounds: readonly Circle[]): void {
    const { lattice, columns, rows, stepX, stepY, field, reach } = this;
    const cell = { left: 0, top: 0, right: lattice.domain.width, bottom: lattice.domain.height };
    for (const { x, y, r } of lattice.ops.flatMap((image) =>
      rounds.map((round) => ({ ...applyOpToPoint(image, round), r: round.r })),
    )) {
      const far = r + reach;
      for (const steps of indicesTouching(
        lattice,
        { left: x - far, top: y - far, right: x + far, bottom: y + far },
        cell,
      )) {
        const by = latticeTranslate(lattice, steps);
        const [cx, cy] = [x + by.x, y + by.y];
        const top = Math.max(0, Math.ceil((cy - far) / stepY - 0.5));
        const bottom = Math.min(rows - 1, Math.floor((cy + far) / stepY - 0.5));
        for (let row = top; row <= bottom; row += 1) {
          const dy = (row + 0.5) * stepY - cy;
          const half = Math.sqrt(Math.max(0, far * far - dy * dy));
          const left = Math.max(0, Math.ceil((cx - half) / stepX - 0.5));
          const right = Math.min(columns - 1, Math.floor((cx + half) / stepX - 0.5));
          for (let column = left, at = row * columns + left; column <= right; column += 1, at += 1) {
            const dx = (column + 0.5) * stepX - cx;
            const known = (field[at] as number) + r;
            const square = dx * dx + dy * dy;
            // The root only where it is nearer than what is known.
            if (known > 0 && square < known * known) field[at] = Math.sqrt(square) - r;
          }
        }
      }
    }
  }

  /** At least so far is this point of the plane from any round: what the four places about it vouch for. */
  atLeast(x: number, y: number): number {
    const { lattice, columns, rows, stepX, stepY, field } = this;
    const inside = x >= 0 && y >= 0 && x < lattice.domain.width && y < lattice.domain.height;
    const p = inside ? { x, y } : toFundamentalDomain(lattice, { x, y });
    const [u, v] = [p.x / stepX - 0.5, p.y / stepY - 0.5];
    const [left, top] = [Math.floor(u), Math.floor(v)];
    let best = -Infinity;
    for (let row = Math.max(0, top); row <= Math.min(rows - 1, top + 1); row += 1) {
      for (let column = Math.max(0, left); column <= Math.min(columns - 1, left + 1); column += 1) {
        const [dx, dy] = [(u - column) * stepX, (v - row) * stepY];
        const least = (field[row * columns + column] as number) - Math.sqrt(dx * dx + dy * dy);
        if (least > best) best = least;
      }
    }
    return best;
  }
}
