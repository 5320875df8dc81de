import { drawnStroke, type PenPoint } from '../core/draw/index.ts';
import { seeded } from '../core/random/index.ts';
import type { Brush, DrawnRecipe, Stroke, VineRecipe } from '../core/recipe/index.ts';
import { along, ellipse, INKS, type P } from './draw/block.ts';
import { sampleMotifId } from './sampleDesign.ts';

/** A motif of the samples that is drawn by hand. */
export interface DrawnSample {
  readonly id: string;
  readonly name: string;
  readonly recipe: DrawnRecipe | VineRecipe;
}

const PEN: Brush = {
  width: 1.6,
  thinning: 0.6,
  pressure: 'pen',
  taperStart: 2,
  taperEnd: 5,
  smoothing: 0.5,
  roughness: 0.25,
  ink: INKS.kelp,
  opacity: 1,
  fill: null,
};

/** A line as a hand draws it: pressed more towards its middle, and not quite steady. */
function stroke(points: readonly P[], brush: Partial<Brush>, seed: number): Stroke {
  const random = seeded(seed);
  const steady = along(points, false, 1.5);
  const drawn = steady.map(([x, y], n): PenPoint => {
    const share = n / Math.max(1, steady.length - 1);
    return {
      x: x + (random() - 0.5) * 0.24,
      y: y + (random() - 0.5) * 0.24,
      time: n * 8,
      pressure: 0.35 + 0.6 * Math.sin(Math.PI * share),
    };
  });
  return drawnStroke({ ...PEN, ...brush }, drawn, seed);
}

/** A blob laid down by going round it once, filled. */
const blob = (x: number, y: number, size: number, ink: Brush['ink'], seed: number): Stroke => {
  const round = ellipse(x, y, size, size * 0.86, 30 * seed, 12);
  return stroke([...round, round[0] as P], { ink, fill: ink, width: 1.2, taperStart: 0, taperEnd: 0 }, seed);
};

const drawn = (...strokes: Stroke[]): DrawnRecipe => ({ kind: 'drawn', strokes });

const FROND_EDGE: readonly P[] = [
  [0, 19],
  [-5.5, 11],
  [-7, 2],
  [-4.6, -8],
  [0.5, -19],
  [4.4, -9],
  [6.6, 1],
  [5, 11],
  [0, 19],
];

const frond = drawn(
  stroke(FROND_EDGE, { fill: INKS.kelp, width: 1.4 }, 11),
  stroke(
    [
      [0, 18],
      [-0.6, 4],
      [0.5, -15],
    ],
    { ink: INKS.chalk, width: 1.1 },
    12,
  ),
  ...[-1, 1].flatMap((side) =>
    [12, 5, -2].map((y, n) =>
      stroke(
        [
          [0, y],
          [side * 2.6, y - 3],
          [side * 4.2, y - 6.5],
        ],
        { ink: INKS.chalk, width: 0.8 },
        20 + 3 * side + n,
      ),
    ),
  ),
);

const bladders = drawn(
  stroke(
    [
      [0, 8],
      [-1, 3],
      [0.4, -2],
    ],
    { width: 1.3, taperEnd: 0 },
    31,
  ),
  blob(0, -5, 4.6, INKS.weld, 1),
  blob(-1.4, -6.2, 1, INKS.chalk, 2),
);

const bubbles = drawn(
  blob(-6, 4, 3.4, INKS.chalk, 3),
  blob(3, -3, 5.2, INKS.chalk, 4),
  blob(7.4, 6.4, 2, INKS.chalk, 5),
  stroke(ellipse(3, -3, 2.4, 2.1, 0, 9), { ink: INKS.shell, width: 0.9 }, 41),
);

/** As tall as the cell that the forest grows in, mm. */
export const FOREST = { width: 132, height: 240 } as const;

/** Where a stem goes through on its way up: how high, how far it sways to the side, how wide it is there. */
const STEM = [
  [0.5, 0.2, 1],
  [0.3, 1, 0.7],
  [0.08, -0.3, 1.15],
  [-0.16, -1, 0.75],
  [-0.34, 0.5, 1],
] as const;
const stem = (sway: number, width: number): VineRecipe['knots'] =>
  STEM.map(([up, aside, wide]) => ({ x: sway * aside, y: up * FOREST.height, width: width * wide }));

const leaves = (motif: string, rest: Partial<VineRecipe['leaves'][number]>): VineRecipe['leaves'][number] => ({
  motif: sampleMotifId(motif),
  spacing: 20,
  offset: 0.5,
  side: 'alternate',
  angle: 48,
  smallest: 0.8,
  largest: 1.1,
  gap: -0.6,
  seed: 5,
  mirrored: true,
  ...rest,
});

const vine = (sway: number, width: number, rest: Partial<VineRecipe>): VineRecipe => ({
  kind: 'vine',
  index: { i: 0, j: -1 },
  period: { x: 0, y: -FOREST.height },
  knots: stem(sway, width),
  ink: INKS.kelp,
  opacity: 1,
  branches: [],
  leaves: [],
  ...rest,
});

/** What leaves are of comes before the vines that they grow on. */
export const DRAWN: readonly DrawnSample[] = [
  { id: 'kelp-frond', name: 'Kelp frond', recipe: frond },
  { id: 'kelp-bladder', name: 'Kelp bladder', recipe: bladders },
  { id: 'rising-bubbles', name: 'Rising bubbles', recipe: bubbles },
  {
    id: 'kelp-stem',
    name: 'Kelp stem',
    recipe: vine(17, 5, {
      leaves: [leaves('kelp-frond', {}), leaves('kelp-bladder', { spacing: 40, offset: 0.25, angle: 66, seed: 8 })],
      branches: [
        { at: 0.22, side: 'left', length: 34, angle: 42, curl: 210, width: 0.9 },
        { at: 0.68, side: 'right', length: 30, angle: 42, curl: 230, width: 0.9 },
      ],
    }),
  },
  {
    id: 'thin-kelp-stem',
    name: 'Thin kelp stem',
    recipe: vine(-12, 2.6, {
      ink: INKS.weld,
      leaves: [leaves('kelp-frond', { spacing: 30, smallest: 0.45, largest: 0.6, angle: 40, seed: 3, side: 'both' })],
    }),
  },
];
