import type { Design } from '../../core/document/index.ts';
import { step } from '../../core/lattice/index.ts';
import { laidOutBy, sampleDesign, sampleMotifId } from '../sampleDesign.ts';

const rows = laidOutBy(
  sampleDesign(
    'low-tide-quayside',
    'Quayside',
    { width: 296.5384876781636, height: 93.69419313373633, step: step('brick', 2, 5) },
    { ground: '#f3e3cf' },
    [
      ['buoy', 20.777031681598746, 46.84709656686817, 0, 0.606808910830721],
      ['scallop', 79.96185492314278, 46.84709656686817, 0, 1.077670695482106],
      ['whelk', 142.17274424265017, 46.84709656686817, 0, 0.5697908411988509],
      ['starfish', 197.40326790370716, 46.84709656686817, 0, 0.8258570594217168],
      ['crab', 262.6845907416829, 46.84709656686817, 0, 0.5152481595800132],
    ],
  ),
  {
    kind: 'row',
    rows: [['buoy', 'scallop', 'whelk', 'starfish', 'crab'].map(sampleMotifId)],
    equal: 'area',
    size: 52,
    gap: 10,
    rowGap: 8,
  },
);

/** Five abreast, all equally large, by a row's recipe; the next row two fifths on, so that none stands near its like. On linen. */
export const quayside: Design = {
  ...rows,
  ground: { kind: 'texture', texture: 'linen', inks: ['ground'], scale: 1.4, strength: 0.4, seed: 7 },
};
