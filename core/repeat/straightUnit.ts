import type { Repeat } from './repeat.ts';

/** The smallest upright rectangle that repeats without any drop. */
export interface StraightUnit {
  readonly width: number;
  readonly height: number;
  /** Cells side by side and one above the other. */
  readonly columns: number;
  readonly rows: number;
}

/** Square: the cell. Half-drop p/q: q columns. Brick p/q: q rows. In the repeat's own unit. */
export function straightUnit({ width, height, step }: Repeat): StraightUnit {
  const columns = step.kind === 'half-drop' ? step.drop.q : 1;
  const rows = step.kind === 'brick' ? step.drop.q : 1;
  return { width: width * columns, height: height * rows, columns, rows };
}
