import { Pen } from '../../motif/index.ts';
import { seeded } from '../../random/index.ts';
import { type Figure, millimetres, SEED, share } from '../figure.ts';

const CORNERS = 9;

/** A stone no two of which are alike. */
export const pebble: Figure = {
  name: 'Pebble',
  measures: [
    millimetres('width', 'Width', 26),
    millimetres('height', 'Height', 18),
    share('rough', 'Roughness', 35),
    SEED,
  ],
  outline: ({ width = 0, height = 0, rough = 0, seed = 1 }) => {
    const random = seeded(seed);
    const points = Array.from({ length: CORNERS }, (_, i) => {
      const angle = ((i + (random() - 0.5) * 0.7 * (rough / 100)) / CORNERS) * 2 * Math.PI;
      const out = 1 - random() * 0.45 * (rough / 100);
      return { x: Math.cos(angle) * out, y: Math.sin(angle) * out };
    });
    // Brought out to the width and height that are asked for.
    const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)];
    const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const placed = points.map(({ x, y }) => ({
      x: ((x - left) / (right - left) - 0.5) * width,
      y: ((y - top) / (bottom - top) - 0.5) * height,
    }));
    return new Pen().loop(placed, 1).toString();
  },
};
