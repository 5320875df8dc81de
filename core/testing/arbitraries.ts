import fc from 'fast-check';
import { type Design, newDesign, type Placement } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import {
  everyFraction,
  mirroredStep,
  mirroringsOf,
  type Repeat,
  rotatedStep,
  rotationsOf,
  SQUARE,
  step,
  type Step,
  withStep,
} from '../lattice/index.ts';
import { type Artwork, type DrawnMotif, inksOf, type Motif } from '../motif/index.ts';

/** Every mirrored step that there is. */
export const MIRRORED_STEPS: readonly Step[] = [SQUARE, step('half-drop'), step('brick')].flatMap((step) =>
  mirroringsOf(step).map((mirrored) => mirroredStep(step, mirrored)),
);

/** Every rotated step of a simple drop. */
export const ROTATED_STEPS: readonly Step[] = [
  SQUARE,
  step('half-drop'),
  step('half-drop', 1, 3),
  step('brick'),
  step('brick', 2, 5),
].flatMap((plain) => rotationsOf(plain).map((rotated) => rotatedStep(plain, rotated)));

export const anyStep: fc.Arbitrary<Step> = fc.oneof(
  fc.constantFrom(...ROTATED_STEPS),
  fc.constant(SQUARE),
  fc.constantFrom(...MIRRORED_STEPS),
  fc
    .tuple(fc.constantFrom('half-drop' as const, 'brick' as const), fc.constantFrom(...everyFraction()))
    .map(([kind, { p, q }]) => step(kind, p, q)),
);

/** JSON knows no -0, so neither do documents. */
const real = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true }).map((n) => n + 0);

/** Repeats of such widths and heights, mm, in such steps; a cell that is rotated by quarter turns is square. */
export function repeatsOf(
  width: fc.Arbitrary<number>,
  height: fc.Arbitrary<number>,
  steps: fc.Arbitrary<Step> = anyStep,
): fc.Arbitrary<Repeat> {
  return fc.record({ width, height, step: steps }).map((repeat) => withStep(repeat, repeat.step));
}

export const anyRepeat = repeatsOf(real(5, 900), real(5, 900));

export const anyPoint = fc.record({ x: real(-3000, 3000), y: real(-3000, 3000) });

/** A lopsided two-ink shape with a carved line, a soft edge and a gradient: any slip of a pixel shows in it. */
export const LEAF: Artwork = {
  version: 1,
  view: { x: 0, y: -1, width: 40, height: 62 },
  nodes: [
    {
      kind: 'path',
      path: 'M 20 0 C 44 14 42 46 20 60 C 8 48 -6 20 20 0 Z',
      rule: 'nonzero',
      fill: { kind: 'ink', ink: '#3e7a5e', opacity: 1 },
      stroke: {
        paint: { kind: 'ink', ink: '#1f2430', opacity: 1 },
        width: 1.3,
        cap: 'round',
        join: 'round',
        miterLimit: 4,
        dash: [],
        dashOffset: 0,
      },
    },
    {
      kind: 'group',
      matrix: [1, 0, 0, 1, 2, 3],
      opacity: 0.6,
      clip: [{ path: 'M 4 4 L 34 4 L 34 50 L 4 50 Z', rule: 'nonzero', matrix: [1, 0.1, 0, 1, 0, 0] }],
      children: [
        {
          kind: 'path',
          path: 'M 5 10 Q 20 20 30 8 L 28 30 L 8 33 Z',
          rule: 'evenodd',
          fill: {
            kind: 'linear',
            from: [0, 0],
            to: [1, 0],
            matrix: [25, 5, -5, 25, 5, 8],
            stops: [
              { offset: 0, ink: '#b3402e', opacity: 1 },
              { offset: 1, ink: '#c9a227', opacity: 0.2 },
            ],
          },
        },
      ],
    },
  ],
};

/** The leaf as a motif 30 mm wide. */
export const LEAF_MOTIF: DrawnMotif = {
  artwork: LEAF,
  motif: {
    id: 'leaf',
    name: 'Leaf',
    collection: 'Test',
    width: 30,
    artwork: 'leaf-artwork',
    view: LEAF.view,
    inks: inksOf(LEAF),
    source: 'leaf-source',
    recipe: null,
  },
};

export const LEAF_MOTIFS: ReadonlyMap<string, DrawnMotif> = new Map([['leaf', LEAF_MOTIF]]);

export function leafAt(id: string, rest: Partial<Placement>): Placement {
  return { id, motif: 'leaf', layer: 'main', ...UPRIGHT, opacity: 1, blend: 'normal', ...rest };
}

export const anyPlacementFields: fc.Arbitrary<Omit<Placement, 'id' | 'motif' | 'layer'>> = fc.record({
  x: real(0, 400),
  y: real(0, 400),
  rotation: real(-360, 360),
  scale: real(0.2, 2),
  aspect: fc.oneof(fc.constant(1), real(0.4, 2.5)),
  skew: fc.oneof(fc.constant(0), real(-60, 60)),
  flipped: fc.boolean(),
  opacity: fc.constantFrom(1, 1, 0.5),
  blend: fc.constantFrom('normal', 'normal', 'multiply', 'overlay'),
});

/** A design of leaves. */
export function anyDesign(repeat: fc.Arbitrary<Repeat> = anyRepeat, most = 6): fc.Arbitrary<Design> {
  return fc.tuple(repeat, fc.array(anyPlacementFields, { maxLength: most })).map(([r, list]) => ({
    ...newDesign('d', 'Leaves', r),
    placements: list.map((fields, index) => leafAt(`p${index}`, fields)),
  }));
}

/** The motif alone, for tests that need no artwork. */
export const LEAF_RECORD: Motif = LEAF_MOTIF.motif;
