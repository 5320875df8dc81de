import type { Design } from '../../core/document/index.ts';
import { step } from '../../core/lattice/index.ts';
import { FOREST } from '../drawn.ts';
import { GROUNDS, sampleDesign } from '../sampleDesign.ts';

/** Drawn by hand on the cloth: two vines that never end, and blobs between them, in a half-drop. */
export const kelpForest: Design = sampleDesign(
  'low-tide-kelp-forest',
  'Kelp forest',
  { ...FOREST, step: step('half-drop', 1, 2) },
  { ground: GROUNDS.deep, kelp: '#7f9a72' },
  [
    ['thin-kelp-stem', 100, 120, 0, 1],
    ['kelp-stem', 36, 120, 0, 1],
    ['rising-bubbles', 70, 108, 0, 1],
    ['rising-bubbles', 126, 28, 24, 0.8, true],
    ['rising-bubbles', 74, 226, -30, 0.6],
    ['kelp-bladder', 128, 62, 30, 0.9],
    ['kelp-bladder', 130, 206, -24, 0.9, true],
  ],
);
