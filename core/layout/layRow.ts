import type { Placement } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';
import type { RowRecipe } from '../recipe/index.ts';

type Sized = Pick<Motif, 'width' | 'view'>;

/** What a recipe lays: motifs, where and how, and the size of the cell where it decides that. */
export interface RowLayout {
  readonly width: number;
  readonly height: number;
  readonly placed: readonly Pick<
    Placement,
    'motif' | 'x' | 'y' | 'rotation' | 'scale' | 'aspect' | 'skew' | 'flipped'
  >[];
}

/** A motif at the size that the recipe gives it, mm. */
interface Sizing {
  readonly motif: string;
  readonly scale: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Sets rows: every gap in a row is the same, the one from its last motif to the instance of its first too, and half of it lies at either
 * side of the cell. Motifs are centred along the row's middle line.
 *
 * @returns undefined where a motif is not known
 */
export function layRows(
  { rows, equal, size, gap, rowGap }: RowRecipe,
  motifs: ReadonlyMap<string, Sized>,
): RowLayout | undefined {
  const sized: Sizing[][] = [];
  for (const row of rows) {
    const own: Sizing[] = [];
    for (const id of row) {
      const motif = motifs.get(id);
      if (!motif) return undefined;
      const height = naturalHeight(motif);
      const natural = equal === 'width' ? motif.width : equal === 'height' ? height : Math.sqrt(motif.width * height);
      const scale = size / natural;
      own.push({ motif: id, scale, width: motif.width * scale, height: height * scale });
    }
    sized.push(own);
  }
  const widths = sized.map((row) => row.reduce((sum, sizing) => sum + sizing.width, 0));
  const width = Math.max(...sized.map((row, n) => (widths[n] as number) + gap * row.length));
  const placed: RowLayout['placed'][number][] = [];
  let top = rowGap / 2;
  for (const [n, row] of sized.entries()) {
    const high = Math.max(...row.map(({ height }) => height));
    // What the widest row leaves goes into the gaps of the others, evenly.
    const between = (width - (widths[n] as number)) / row.length;
    let left = between / 2;
    for (const sizing of row) {
      placed.push({
        ...UPRIGHT,
        motif: sizing.motif,
        scale: sizing.scale,
        x: left + sizing.width / 2,
        y: top + high / 2,
      });
      left += sizing.width + between;
    }
    top += high + rowGap;
  }
  return { width, height: top - rowGap / 2, placed };
}
