import { around, Pen } from '../../motif/index.ts';
import { BULGE, count, type Figure, millimetres, share } from '../figure.ts';

export const star: Figure = {
  name: 'Star',
  measures: [
    millimetres('width', 'Diameter', 32),
    count('points', 'Points', 5, 3, 40),
    share('depth', 'Depth', 55, 2, 95),
    share('round', 'Rounding', 0),
    BULGE,
  ],
  outline: ({ width = 0, points = 3, depth = 0, round = 0, bulge = 0 }) => {
    const inner = (width / 2) * (1 - depth / 100);
    const corners = Array.from({ length: points * 2 }, (_, i) =>
      around(i % 2 === 0 ? width / 2 : inner, (180 * i) / points),
    );
    return new Pen().loop(corners, round / 100, bulge / 100).toString();
  },
};
