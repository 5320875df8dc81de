import type { Box } from '../geometry/index.ts';
import type { PixelGrid } from '../lattice/index.ts';

/** One rectangle of the window that a square-wise repeating fill of the cell covers, and where that fill starts. */
export interface FillStrip {
  /** In pixels of the window. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Where a corner of the cell's image comes to lie, in pixels of the window. */
  readonly originX: number;
  readonly originY: number;
}

/**
 * Cuts a window of the plane into strips that a canvas's square repeating fill can cover: one for a square step, one
 * a column for a half-drop, one a row for a brick. All edges are whole pixels, so strips meet without a line.
 *
 * @param window whole pixels of the plane
 */
export function fillStrips({ lattice, cell }: PixelGrid, window: Box): FillStrip[] {
  const { a, b, domain } = lattice;
  const width = window.right - window.left;
  const height = window.bottom - window.top;
  const whole = { x: 0, y: 0, width, height, originX: -window.left, originY: -window.top };
  if (cell.step.drop.p === 0) return [whole];
  const strips: FillStrip[] = [];
  if (domain.stacked === 'columns') {
    for (let i = Math.floor(window.left / cell.width); i * cell.width < window.right; i += 1) {
      const x = Math.max(0, i * cell.width - window.left);
      const end = Math.min(width, (i + 1) * cell.width - window.left);
      strips.push({ ...whole, x, width: end - x, originX: i * a.x - window.left, originY: i * a.y - window.top });
    }
  } else {
    for (let j = Math.floor(window.top / cell.height); j * cell.height < window.bottom; j += 1) {
      const y = Math.max(0, j * cell.height - window.top);
      const end = Math.min(height, (j + 1) * cell.height - window.top);
      strips.push({ ...whole, y, height: end - y, originX: j * b.x - window.left, originY: j * b.y - window.top });
    }
  }
  return strips;
}
