import { MIRRORINGS, type StepKindDefinition } from './stepKind.ts';

/** Cells side by side and one above the other: a = (w, 0), b = (0, h). */
export const square: StepKindDefinition = {
  stacked: 'columns',
  basis: (width, height) => ({ a: { x: width, y: 0 }, b: { x: 0, y: height } }),
  tileCells: () => ({ columns: 1, rows: 1 }),
  pixelMultiples: () => ({ width: 1, height: 1 }),
  mirrorings: () => MIRRORINGS,
};
