import { rotatedStep, SQUARE } from '../../core/lattice/index.ts';
import { ON_DEEP, sampleDesign } from '../sampleDesign.ts';

const WIDTH = 120;
const HEIGHT = WIDTH * (Math.sqrt(3) / 2);

/** Herrings that swim round a starfish: triangles turned by sixths, with what lies on a centre shown there once. */
export const tideWheel = sampleDesign(
  'low-tide-tide-wheel',
  'Tide wheel',
  { width: WIDTH, height: HEIGHT, step: rotatedStep(SQUARE, 'sixth') },
  ON_DEEP,
  [
    ['starfish', 0, 0, 0, 0.95],
    ['herring', 50, 29, 112, 0.52],
    ['sand-dollar', WIDTH / 2, HEIGHT, 0, 0.8],
    ['banded-pebble', (3 * WIDTH) / 4, HEIGHT / 2, 30, 0.7],
    ['barnacle', 76, 12, 20, 0.55],
    ['bubbles', 64, 66, -40, 0.45],
  ],
);
