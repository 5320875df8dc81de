import { applyOpToPoint, type latticeOf } from '../lattice/index.ts';
import { type TossRecipe } from '../recipe/index.ts';
import { raster } from './raster.ts';
import { type CircleCover, coverWithCircles } from '../toss/circleCover.ts';
import type { Tossable } from '../toss/tossTypes.ts';

export const SHAPES = {
  disc: {
    silhouette: raster(96, 96, (u, v) => Math.hypot(u - 0.5, v - 0.5) < 0.48),
    motif: { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } },
  },
  // A horseshoe: what is small may reach into its bay.
  bay: {
    silhouette: raster(96, 96, (u, v) => Math.hypot(u - 0.5, v - 0.5) < 0.48 && !(Math.abs(u - 0.5) < 0.25 && v < 0.6)),
    motif: { width: 44, view: { x: 0, y: 0, width: 44, height: 44 } },
  },
  bar: { silhouette: raster(96, 24, () => true), motif: { width: 40, view: { x: 0, y: 0, width: 40, height: 10 } } },
} as const;

type Name = keyof typeof SHAPES;

export const NAMES = Object.keys(SHAPES) as Name[];

export const TOSSABLE = new Map<string, Tossable>(
  NAMES.map((name) => [
    name,
    {
      rounds: coverWithCircles(SHAPES[name].silhouette, SHAPES[name].motif),
      ink: name === 'bar' ? '#000000' : '#ff0000',
    },
  ]),
);

export const roundsFor = (name: string): CircleCover => (TOSSABLE.get(name) as Tossable).rounds;

/** The true drawing as points of its raster, mm on the plane: nothing of the toss's own data. */
export function drawn(
  name: string,
  lies: { x: number; y: number; rotation: number; scale: number; flipped: boolean },
  edgeOnly = false,
): { x: number; y: number }[] {
  const { silhouette, motif } = SHAPES[name as Name];
  const { width, height, solid } = silhouette;
  const [cos, sin] = [Math.cos((lies.rotation * Math.PI) / 180), Math.sin((lies.rotation * Math.PI) / 180)];
  const points: { x: number; y: number }[] = [];
  const high = (motif.width * motif.view.height) / motif.view.width;
  for (let y = 0; y < height; y += 2) {
    for (let x = 0; x < width; x += 2) {
      if (solid[y * width + x] !== 1) continue;
      const inside =
        x > 1 &&
        y > 1 &&
        x < width - 2 &&
        y < height - 2 &&
        [-2, 2, -2 * width, 2 * width].every((by) => solid[y * width + x + by] === 1);
      if (edgeOnly && inside) continue;
      const px = ((x + 0.5) / width - 0.5) * motif.width * lies.scale * (lies.flipped ? -1 : 1);
      const py = ((y + 0.5) / height - 0.5) * high * lies.scale;
      points.push({ x: lies.x + cos * px - sin * py, y: lies.y + sin * px + cos * py });
    }
  }
  return points;
}

export const recipe = (rest: Partial<TossRecipe> = {}): TossRecipe => ({
  entries: [
    { motif: 'bay', role: 'hero', count: 3, smallest: 0.8, largest: 1.1 },
    { motif: 'bar', role: 'companion', count: 6, smallest: 0.6, largest: 1 },
    { motif: 'disc', role: 'filler', count: 12, smallest: 0.4, largest: 1 },
  ],
  directions: { kind: 'all' },
  flipped: true,
  gap: 3,
  ground: 0,
  seed: 1,
  ...rest,
});

/** By the columns or rows around, of which the twelfth at the latest lies as the first. */
export function nearest(
  { ops, domain: { stacked, width, height }, a, b }: ReturnType<typeof latticeOf>,
  p: { x: number; y: number },
  q: { x: number; y: number },
): number {
  let least = Infinity;
  for (const image of ops) {
    const there = applyOpToPoint(image, q);
    const [along, across] = stacked === 'columns' ? [there.x - p.x, there.y - p.y] : [there.y - p.y, there.x - p.x];
    const [step, size, drop] = stacked === 'columns' ? [width, height, a.y] : [height, width, b.x];
    for (let n = Math.round(along / step) - 13; n <= Math.round(along / step) + 13; n += 1) {
      const rest = across - n * drop;
      least = Math.min(least, Math.hypot(along - n * step, rest - Math.round(rest / size) * size));
    }
  }
  return least;
}
