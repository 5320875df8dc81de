import { step } from '../../core/lattice/index.ts';
import { GROUNDS, sampleDesign } from '../sampleDesign.ts';

/** A shoal in a brick: one herring a row, the next row half a length on. */
export const herringRun = sampleDesign(
  'low-tide-herring-run',
  'Herring run',
  { width: 160, height: 60, step: step('brick', 1, 2) },
  { ground: GROUNDS.chalk },
  [
    ['herring', 52, 30, -3, 1.1],
    ['bubbles', 126, 27, 0, 0.72],
    ['flat-pebble', 140, 47, 12, 0.6],
    ['barnacle', 113, 43, 20, 0.5],
    ['banded-pebble', 145, 15, -16, 0.5, true],
  ],
);
