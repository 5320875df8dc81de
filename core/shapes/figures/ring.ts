import { Pen } from '../../motif/index.ts';
import { type Figure, millimetres, share } from '../figure.ts';

export const ring: Figure = {
  name: 'Ring',
  measures: [millimetres('width', 'Diameter', 24), share('hole', 'Hole', 60, 5, 96)],
  outline: ({ width = 0, hole = 0 }) => {
    const radius = width / 2;
    const inner = (radius * hole) / 100;
    return new Pen().ellipse(0, 0, radius, radius).ellipse(0, 0, inner, inner, true).toString();
  },
};
