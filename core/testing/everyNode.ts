import type { Artwork } from '../motif/index.ts';
import { LEAF } from './arbitraries.ts';

/** Everything that the model can hold, in one drawing. */
export const EVERY_NODE: Artwork = {
  ...LEAF,
  nodes: [
    ...LEAF.nodes,
    {
      kind: 'path',
      path: 'M 2 2 L 18 2 L 18 12 L 2 12 Z M 6 4 L 14 4 L 14 10 L 6 10 Z',
      rule: 'evenodd',
      fill: {
        kind: 'radial',
        focus: [9, 6],
        centre: [10, 7],
        radius: 12,
        matrix: [1, 0.1, 0, 1, 0, 0],
        stops: [
          { offset: 0, ink: '#c9a227', opacity: 1 },
          { offset: 1, ink: '#1f2430', opacity: 0.5 },
        ],
      },
      stroke: {
        paint: { kind: 'ink', ink: '#b3402e', opacity: 0.8 },
        width: 0.7,
        cap: 'butt',
        join: 'bevel',
        miterLimit: 4,
        dash: [2, 1],
        dashOffset: 0.5,
      },
      strokeFirst: true,
    },
  ],
};
