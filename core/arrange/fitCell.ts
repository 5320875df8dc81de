import { boxAroundCentre, type Command, type Design } from '../document/index.ts';
import { shiftBox } from '../geometry/index.ts';
import { LARGEST_CELL_MM, latticeOf, SMALLEST_CELL_MM } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import { gatherInstances } from './gatherInstances.ts';

/** What differs by less is the same, mm. */
const SAME_MM = 1e-6;

/**
 * The command that makes the cell exactly as large as what lies in it and one gap, with half a gap all round: a row
 * then repeats with the same gap from its last motif to its first. Undefined where nothing lies there, or the cell would be
 * larger or smaller than one can be; a command that does nothing where it is so already.
 *
 * @param gap mm, below 0 where neighbours are to lie over each other
 */
export function fitCell(
  design: Design,
  motifs: ReadonlyMap<string, Pick<Motif, 'width' | 'view'>>,
  gap: number,
): Command | undefined {
  const together = gatherInstances(latticeOf(design.repeat), design.placements);
  const boxes = together.flatMap((placement) => {
    const motif = motifs.get(placement.motif);
    return motif ? [shiftBox(boxAroundCentre(placement, motif), placement)] : [];
  });
  if (boxes.length === 0) return undefined;
  const [left, top] = [Math.min(...boxes.map((box) => box.left)), Math.min(...boxes.map((box) => box.top))];
  const width = Math.max(...boxes.map(({ right }) => right)) - left + gap;
  const height = Math.max(...boxes.map(({ bottom }) => bottom)) - top + gap;
  if (Math.min(width, height) < SMALLEST_CELL_MM || Math.max(width, height) > LARGEST_CELL_MM) return undefined;
  const [dx, dy] = [gap / 2 - left, gap / 2 - top];
  const isSo = Math.hypot(width - design.repeat.width, height - design.repeat.height, dx, dy) < SAME_MM;
  if (isSo) return { type: 'all', commands: [] };
  return {
    type: 'all',
    commands: [
      { type: 'repeat', repeat: { ...design.repeat, width, height } },
      { type: 'change', changes: Object.fromEntries(together.map(({ id, x, y }) => [id, { x: x + dx, y: y + dy }])) },
    ],
  };
}
