import type { Repeat } from './repeat.ts';

/** The smallest upright rectangle that repeats without any drop. */
export interface Tile {
  readonly width: number;
  readonly height: number;
  /** Cells side by side and one above the other. */
  readonly columns: number;
  readonly rows: number;
}

/** Square: the cell. Half-drop p/q: q columns. Brick p/q: q rows. Two columns or rows where every other is reflected. In the repeat's own unit. */
export function tileOf({ width, height, step }: Repeat): Tile {
  const { mirrored } = step;
  const columns =
    mirrored === 'columns' || mirrored === 'both' ? 2 : step.kind === 'half-drop' && !mirrored ? step.drop.q : 1;
  const rows = mirrored === 'rows' || mirrored === 'both' ? 2 : step.kind === 'brick' && !mirrored ? step.drop.q : 1;
  return { width: width * columns, height: height * rows, columns, rows };
}
