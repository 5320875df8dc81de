import { UPRIGHT } from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import type { Part } from '../recipe/index.ts';

/** Between two neighbours, mm. */
const GAP = 4;

/** Motifs of the drawer as parts of a bundle: in a row, level by their middles, with a gap between them. */
export function sideBySide(motifs: readonly Pick<Motif, 'id' | 'width'>[]): Part[] {
  const whole = motifs.reduce((sum, { width }) => sum + width + GAP, -GAP);
  let left = -whole / 2;
  return motifs.map(({ id, width }) => {
    const x = left + width / 2;
    left += width + GAP;
    return { motif: id, ...UPRIGHT, x, opacity: 1 };
  });
}
