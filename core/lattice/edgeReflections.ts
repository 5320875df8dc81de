import type { Lattice } from './lattice.ts';

export type CellEdge = 'left' | 'right' | 'top' | 'bottom';

/** An edge of the cell that is the axis of a reflection; of a glide where what is beyond has also moved along it. */
export interface EdgeReflection {
  readonly edge: CellEdge;
  readonly glides: boolean;
}

/** Lattice steps that a reflection about an edge of the cell may come from. */
const STEPS = [-2, -1, 0, 1, 2];

/** The edges of the cell at which it is reflected: mirrors, or glides where there is no mirror. */
export function edgeReflections({ a, b, cell, ops }: Lattice): EdgeReflection[] {
  const near = 1e-9 * Math.max(cell.width, cell.height);
  const found = new Map<CellEdge, boolean>();
  for (const { matrix, reflected, rotation } of ops) {
    if (!reflected) continue;
    for (const i of STEPS)
      for (const j of STEPS) {
        const [x, y] = [matrix[4] + i * a.x + j * b.x, matrix[5] + i * a.y + j * b.y];
        // Left to right the axis is upright, else it is level.
        const [at, along, size] = rotation === 0 ? [x / 2, y, cell.width] : [y / 2, x, cell.height];
        const [first, second]: readonly [CellEdge, CellEdge] = rotation === 0 ? ['left', 'right'] : ['top', 'bottom'];
        const edge = Math.abs(at) < near ? first : Math.abs(at - size) < near ? second : undefined;
        if (edge) found.set(edge, (found.get(edge) ?? true) && Math.abs(along) > near);
      }
  }
  return [...found].map(([edge, glides]) => ({ edge, glides }));
}
