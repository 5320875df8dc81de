import { type PathText, Pen } from '../../motif/index.ts';
import { seeded } from '../../random/index.ts';
import { combinePaths } from '../combine.ts';
import { count, type Figure, millimetres, SEED, share } from '../figure.ts';

/** A leaf that stands upright, with its vein left open and bites taken out of it. */
export const leaf: Figure = {
  name: 'Leaf',
  measures: [
    millimetres('height', 'Length', 52),
    millimetres('width', 'Width', 22),
    share('belly', 'Belly', 55, 15, 85),
    share('vein', 'Vein', 5, 0, 30),
    count('bites', 'Bites', 0, 0, 12),
    share('bite', 'Size of bites', 30, 5, 80),
    SEED,
  ],
  outline: ({ height = 0, width = 0, belly = 0, vein = 0, bites = 0, bite = 0, seed = 1 }) => {
    const [top, foot] = [-height / 2, height / 2];
    const wide = top + (height * belly) / 100;
    const half = width / 2;
    const blade = new Pen()
      .move(0, top)
      .curve(half * 0.45, top + (wide - top) * 0.3, half, wide - (wide - top) * 0.45, half, wide)
      .curve(half, wide + (foot - wide) * 0.5, half * 0.3, foot - (foot - wide) * 0.2, 0, foot)
      .curve(-half * 0.3, foot - (foot - wide) * 0.2, -half, wide + (foot - wide) * 0.5, -half, wide)
      .curve(-half, wide - (wide - top) * 0.45, -half * 0.45, top + (wide - top) * 0.3, 0, top)
      .close()
      .toString();
    const gone: PathText[] = [];
    if (vein > 0) {
      const thick = (width * vein) / 200;
      gone.push(
        new Pen()
          .move(0, top + height * 0.14)
          .quad(thick, wide, thick, foot + 1)
          .line(-thick, foot + 1)
          .quad(-thick, wide, 0, top + height * 0.14)
          .close()
          .toString(),
      );
    }
    const random = seeded(seed);
    for (let i = 0; i < bites; i += 1) {
      const y = top + height * (0.2 + 0.6 * random());
      // Nibbled from the edge more often than from within.
      const side = random() < 0.5 ? -1 : 1;
      const x = side * half * (random() < 0.7 ? 0.95 : 0.45);
      const r = ((width * bite) / 200) * (0.55 + 0.45 * random());
      gone.push(new Pen().ellipse(x, y, r, r * (0.8 + 0.4 * random())).toString());
    }
    // A bite that would leave nothing is not taken.
    return gone.reduce((left, hole) => combinePaths(left, hole, 'cut') || left, blade);
  },
};
