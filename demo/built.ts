import type { Hex } from '../core/colour/index.ts';
import { UPRIGHT } from '../core/geometry/index.ts';
import { type CleanSteps, NO_STEPS, type Part, type Piece, type ShapeRecipe, stopsTo } from '../core/recipe/index.ts';
import { INKS } from './draw/block.ts';
import { sampleMotifId } from './sampleDesign.ts';

/** A motif of the samples that is built of figures. */
export interface BuiltSample {
  readonly id: string;
  readonly name: string;
  readonly recipe: ShapeRecipe;
}

const piece = (figure: Piece['figure'], values: Piece['values'], ink: Hex, rest: Partial<Piece> = {}): Piece => ({
  figure,
  values,
  text: '',
  font: 'logbook',
  x: 0,
  y: 0,
  rotation: 0,
  combine: 'lay',
  fill: { ink, fade: null },
  outline: null,
  ...rest,
});
const shape = (...pieces: Piece[]): ShapeRecipe => ({ kind: 'shape', pieces });
/** Cut out of the piece before it, five times across a fan. */
const ribs = [-2, -1, 0, 1, 2].map((n) =>
  piece('drop', { height: 18, width: 2.6, waist: 70 }, INKS.chalk, {
    x: n * 5.4,
    y: -1 + Math.abs(n) * 1.4,
    rotation: n * 15,
    combine: 'cut',
  }),
);

export const BUILT: readonly BuiltSample[] = [
  {
    id: 'sea-pink',
    name: 'Sea pink',
    recipe: shape(
      piece('petals', { width: 34, count: 9, breadth: 92, swell: 20, open: 20, eye: 0 }, INKS.shell),
      piece('dot', { width: 8, height: 8 }, INKS.madder),
    ),
  },
  {
    id: 'marram',
    name: 'Marram',
    recipe: shape(
      ...[-1, 0, 1].map((n) =>
        piece('blade', { height: 62 - Math.abs(n) * 10, width: 4.5, bend: n * 34 }, INKS.kelp, {
          x: n * 5,
          y: Math.abs(n) * 5,
          fill: { ink: INKS.kelp, fade: { kind: 'across', angle: 90, stops: stopsTo(INKS.kelp, 0) } },
        }),
      ),
    ),
  },
  {
    id: 'tide-mark',
    name: 'Tide mark',
    recipe: shape(piece('wave', { width: 72, crests: 4, rise: 7, band: 3, lean: 45 }, INKS.indigo)),
  },
  {
    id: 'sea-glass',
    name: 'Sea glass',
    recipe: shape(
      piece('pebble', { width: 22, height: 15, rough: 45, seed: 7 }, INKS.kelp, {
        outline: { ink: INKS.indigo, width: 0.8 },
      }),
    ),
  },
  {
    id: 'ripple-fan',
    name: 'Ripple fan',
    recipe: shape(piece('scallop', { width: 42, height: 32, bows: 7, bow: 50 }, INKS.weld), ...ribs),
  },
  {
    id: 'low-tide-word',
    name: 'Low Tide, lettered',
    recipe: shape(piece('lettering', { size: 22 }, INKS.indigo, { text: 'Low Tide' })),
  },
];

/** A bundle of the samples; those that lie in others come first. */
export interface BundleSample {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly Part[];
}

const part = (motif: string, x: number, y: number, rotation = 0, scale = 1): Part => ({
  motif: sampleMotifId(motif),
  ...UPRIGHT,
  x,
  y,
  rotation,
  scale,
  opacity: 1,
});

export const BUNDLES: readonly BundleSample[] = [
  {
    id: 'pebble-cluster',
    name: 'Pebble cluster',
    parts: [
      part('flat-pebble', -13, 2, -12),
      part('banded-pebble', 10, 6, 20),
      part('sea-glass', 6, -10, 8),
      part('periwinkle', -12, -14, -30, 0.8),
    ],
  },
  {
    id: 'rock-pool',
    name: 'Rock pool',
    parts: [
      part('pebble-cluster', -24, 12),
      part('limpet', 14, -6),
      part('barnacle', 34, 10, 15),
      part('barnacle', 36, -14, -20, 0.8),
      part('sea-pink', 12, 24, 10, 0.7),
    ],
  },
];

/** A sheet of the scanner that lies on the workshop's shelf, and what is done to it. */
export interface SheetSample {
  readonly id: string;
  readonly name: string;
  readonly original: string;
  readonly steps: CleanSteps;
}

export const SHEETS: readonly SheetSample[] = [
  {
    id: 'low-tide-sheet-ink',
    name: 'Ink studies',
    original: 'ink-studies',
    steps: {
      ...NO_STEPS,
      straighten: -1.7,
      evenLight: true,
      levels: { black: 29, middle: 126, white: 223 },
      paper: { reach: 'outside', colour: null, tolerance: 40, soft: 0.15 },
      specks: 0.5,
      cut: {
        gap: 4,
        joins: [],
        splits: [],
        without: [
          { x: 60, y: 17 },
          { x: 105, y: 281 },
        ],
      },
    },
  },
  { id: 'low-tide-sheet-lino', name: 'Lino proofs', original: 'lino-proofs', steps: NO_STEPS },
];

/** A picture that waits on the workshop's shelf to be made to repeat, by the name of its file. */
export interface PictureSample {
  readonly id: string;
  readonly name: string;
  readonly file: string;
}

export const PICTURES: readonly PictureSample[] = [
  { id: 'low-tide-picture-shore', name: 'Painted shore', file: 'painted-shore.jpg' },
  { id: 'low-tide-picture-rope', name: 'Woven rope', file: 'woven-rope.jpg' },
  { id: 'low-tide-picture-pebbles', name: 'Pebbles', file: 'pebbles.jpg' },
  { id: 'low-tide-picture-broken', name: 'Rope tile, broken', file: 'broken-tile.png' },
];
