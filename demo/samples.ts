import type { Design } from '../core/document/index.ts';
import { flotsam } from './designs/flotsam.ts';
import { herringRun } from './designs/herringRun.ts';
import { kelpForest } from './designs/kelpForest.ts';
import { limpetsAndRope } from './designs/limpetsAndRope.ts';
import { moorings } from './designs/moorings.ts';
import { quayside } from './designs/quayside.ts';
import { rockPool } from './designs/rockPool.ts';
import { slipway } from './designs/slipway.ts';
import { strandline } from './designs/strandline.ts';
import { tideMark } from './designs/tideMark.ts';
import { tideWheel } from './designs/tideWheel.ts';
import { GROUNDS, ON_DEEP, recoloured } from './sampleDesign.ts';

/** The designs on the studio's table: half-drop, brick, square, one dense and scattered by hand, one tossed by recipe, a row by recipe, a honeycomb, one with mirrored columns, one drawn by hand, and two turned about centres. */
export const SAMPLE_DESIGNS: readonly Design[] = [
  limpetsAndRope,
  herringRun,
  moorings,
  strandline,
  flotsam,
  quayside,
  rockPool,
  tideMark,
  kelpForest,
  tideWheel,
  slipway,
];

/** A finished swatch of a sample design. */
export interface SampleSwatch {
  readonly id: string;
  readonly name: string;
  readonly design: Design;
}

export const SAMPLE_SWATCHES: readonly SampleSwatch[] = [
  { id: 'low-tide-swatch-limpets', name: 'Limpets and rope', design: limpetsAndRope },
  { id: 'low-tide-swatch-limpets-dusk', name: 'Limpets and rope, dusk', design: recoloured(limpetsAndRope, ON_DEEP) },
  { id: 'low-tide-swatch-herring', name: 'Herring run', design: herringRun },
  {
    id: 'low-tide-swatch-herring-madder',
    name: 'Herring run, madder',
    design: recoloured(herringRun, { indigo: '#a5402d', shell: '#e8b69f', ground: '#f7e9d8' }),
  },
  { id: 'low-tide-swatch-moorings', name: 'Moorings', design: moorings },
  {
    id: 'low-tide-swatch-strandline',
    name: 'Strandline on chalk',
    design: recoloured(strandline, { ground: GROUNDS.chalk, indigo: '#22304a', kelp: '#566f52', madder: '#b5442f' }),
  },
];
