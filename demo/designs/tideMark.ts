import type { Design } from '../../core/document/index.ts';
import { mirroredStep, step } from '../../core/lattice/index.ts';
import { sampleDesign } from '../sampleDesign.ts';

const pairs = sampleDesign(
  'low-tide-tide-mark',
  'Tide mark',
  { width: 150, height: 240, step: mirroredStep(step('square'), 'columns') },
  { ground: '#cfd9dc' },
  [
    ['kelp', 38, 100, 6, 0.58],
    ['herring', 94, 24, 12, 0.82],
    ['whelk', 106, 98, -16, 0.82],
    ['scallop', 98, 172, 14, 0.84],
    ['starfish', 124, 216, 20, 0.62],
    ['limpet', 76, 58, 0, 0.8],
    ['limpet', 18, 196, 0, 0.8],
    ['banded-pebble', 136, 46, 20, 0.7],
    ['flat-pebble', 138, 158, -10, 0.7],
    ['barnacle', 70, 142, 0, 0.8],
    ['bubbles', 52, 212, 0, 0.8],
    ['urchin', 78, 228, 0, 0.42],
    ['barnacle', 18, 232, 30, 0.8],
    ['barnacle', 140, 86, 0, 0.6],
  ],
);

/** Two by two: every other column looks back at the one before. The water rises to chalk and falls again over each cell. */
export const tideMark: Design = {
  ...pairs,
  ground: {
    kind: 'gradient',
    stops: [
      { ink: 'ground', at: 0 },
      { ink: 'chalk', at: 0.5 },
    ],
    across: 0,
    down: 1,
  },
};
