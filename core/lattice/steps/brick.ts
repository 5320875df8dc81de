import type { StepKindDefinition } from './stepKind.ts';

/** Each row shifts by p/q of the cell's width: a = (w, 0), b = (w·p/q, h). */
export const brick: StepKindDefinition = {
  stacked: 'rows',
  basis: (width, height, share) => ({ a: { x: width, y: 0 }, b: { x: width * share, y: height } }),
  tileCells: ({ q }) => ({ columns: 1, rows: q }),
  pixelMultiples: ({ q }) => ({ width: q, height: 1 }),
  mirrorings: ({ p, q }) => (p === 1 && q === 2 ? ['rows', 'both'] : []),
};
