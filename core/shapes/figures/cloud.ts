import { scalingMatrix, translationMatrix, compose } from '../../geometry/index.ts';
import { pathBounds, Pen, transformPath } from '../../motif/index.ts';
import { seeded } from '../../random/index.ts';
import { count, type Figure, millimetres, SEED, share } from '../figure.ts';

/** Puffs over a flat foot, no two of which are alike. */
export const cloud: Figure = {
  name: 'Cloud',
  measures: [
    millimetres('width', 'Width', 44),
    millimetres('height', 'Height', 26),
    count('puffs', 'Puffs', 5, 3, 15),
    share('puff', 'Puffiness', 55),
    share('rough', 'Unevenness', 40),
    SEED,
  ],
  outline: ({ width = 0, height = 0, puffs = 3, puff = 0, rough = 0, seed = 1 }) => {
    const random = seeded(seed);
    const shares = Array.from({ length: puffs }, () => 1 + (random() - 0.5) * 1.2 * (rough / 100));
    const all = shares.reduce((sum, each) => sum + each, 0);
    const pen = new Pen().move(-1, 0);
    let [x, y, along] = [-1, 0, 0];
    for (const each of shares) {
      along += each / all;
      const [nextX, nextY] = [-Math.cos(Math.PI * along), -Math.sin(Math.PI * along)];
      // Outwards, across the chord.
      const reach = 0.35 + 0.75 * (puff / 100);
      const [outX, outY] = [(nextY - y) * reach, -(nextX - x) * reach];
      pen.curve(x + outX, y + outY, nextX + outX, nextY + outY, nextX, nextY);
      [x, y] = [nextX, nextY];
    }
    const path = pen.close().toString();
    const box = pathBounds(path);
    if (!box) return path;
    const middle = translationMatrix(-(box.left + box.right) / 2, -(box.top + box.bottom) / 2);
    return transformPath(
      path,
      compose(scalingMatrix(width / (box.right - box.left), height / (box.bottom - box.top)), middle),
    );
  },
};
