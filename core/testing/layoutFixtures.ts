import { type Motif } from '../motif/index.ts';
import { LEAF_RECORD } from './arbitraries.ts';

const motifOf = (id: string, width: number, height: number): Motif => ({
  ...LEAF_RECORD,
  id,
  width,
  view: { x: 0, y: 0, width: width * 2, height: height * 2 },
});

export const MOTIFS = new Map(
  [motifOf('tall', 20, 50), motifOf('wide', 60, 15), motifOf('square', 30, 30)].map((motif) => [motif.id, motif]),
);
