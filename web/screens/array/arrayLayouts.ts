import type { Motif } from '../../../core/motif/index.ts';
import type { ArrayLayout, ArrayRecipe } from '../../../core/recipe/index.ts';

/** A motif as far as an array's first sizes are concerned. */
type Sized = Pick<Motif, 'id' | 'width' | 'view'>;

export const LAYOUTS = ['grid', 'ring', 'line', 'frame'] as const;

/** A layout of a kind that suits the size of a motif. */
export function firstLayout(kind: ArrayLayout['kind'], { width, view }: Sized): ArrayLayout {
  const round = (mm: number): number => Math.max(1, Math.round(mm));
  const [across, down] = [round(1.15 * width), round((1.15 * width * view.height) / view.width)];
  const longer = Math.max(across, down);
  switch (kind) {
    case 'grid':
      return { kind, columns: 3, rows: 3, across, down, shift: 0 };
    case 'ring':
      return {
        kind,
        count: 8,
        radius: round((8 * longer) / (2 * Math.PI)),
        from: 0,
        sweep: 360,
        facing: true,
      };
    case 'line':
      return {
        kind,
        count: 5,
        points: [
          { x: -2 * across, y: 0 },
          { x: -across, y: -down },
          { x: across, y: down },
          { x: 2 * across, y: 0 },
        ],
        facing: true,
      };
    case 'frame':
      return { kind, width: 4 * longer, height: 3 * longer, across: 3, down: 2, corner: null };
  }
}

/** The array that a motif begins with: a ring of eight. */
export function firstArray(motif: Sized): ArrayRecipe {
  return {
    kind: 'array',
    motif: motif.id,
    layout: firstLayout('ring', motif),
    turn: 0,
    growth: 0,
    varyRotation: 0,
    varyScale: 0,
    seed: 1,
  };
}
