import { mirroredStep, SQUARE } from '../../core/lattice/index.ts';
import { GROUNDS, sampleDesign } from '../sampleDesign.ts';

const SIDE = 96;

/** Shells set like paving: half squares turned by quarters and mirrored, a knot on every mirror. */
export const slipway = sampleDesign(
  'low-tide-slipway',
  'Slipway',
  { width: SIDE, height: SIDE, step: mirroredStep(SQUARE, 'p4g') },
  { ground: GROUNDS.chalk },
  [
    ['urchin', 0, 0, 0, 0.7],
    ['reef-knot', SIDE / 2, SIDE / 2, -45, 0.5],
    ['mussel', 42, 15, 64, 0.66],
    ['periwinkle', 74, 9, 10, 0.55],
    ['flat-pebble', 17, 47, 30, 0.5],
  ],
);
