import type { StepKindDefinition } from './stepKind.ts';

/** Each column drops by p/q of the cell's height: a = (w, h·p/q), b = (0, h). */
export const halfDrop: StepKindDefinition = {
  stacked: 'columns',
  basis: (width, height, share) => ({ a: { x: width, y: height * share }, b: { x: 0, y: height } }),
  tileCells: ({ q }) => ({ columns: q, rows: 1 }),
  pixelMultiples: ({ q }) => ({ width: 1, height: q }),
  // With any other drop, what is reflected twice comes back beside where it was.
  mirrorings: ({ p, q }) => (p === 1 && q === 2 ? ['columns', 'both'] : []),
};
