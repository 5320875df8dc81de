import { around, Pen } from '../../motif/index.ts';
import { BULGE, count, type Figure, millimetres, share } from '../figure.ts';

export const polygon: Figure = {
  name: 'Polygon',
  measures: [
    millimetres('width', 'Diameter', 24),
    count('sides', 'Sides', 6, 3, 24),
    share('round', 'Rounding', 0),
    BULGE,
  ],
  outline: ({ width = 0, sides = 3, round = 0, bulge = 0 }) => {
    const corners = Array.from({ length: sides }, (_, i) => around(width / 2, (360 * i) / sides));
    return new Pen().loop(corners, round / 100, bulge / 100).toString();
  },
};
