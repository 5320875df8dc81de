import { array, object, string, type InferType } from 'yup';
import { between, idSchema, type Immutable, taggedUnion, whole, ofWhole } from '../schema/index.ts';

/** Waves and lines over the width or height of a cell, at the most. */
export const MOST_WAVES = 200;
/** Inks of a gradient or of stripes. */
export const MOST_STOPS = 12;
export const TEXTURES = ['linen', 'laid', 'grain', 'brush'] as const;

/** Nothing behind the motifs: the file is transparent there. */
const noGroundSchema = object({ kind: string().oneOf(['none']).required() })
  .noUnknown()
  .required();

/** One ink, everywhere. */
const flatGroundSchema = object({ kind: string().oneOf(['flat']).required(), ink: idSchema })
  .noUnknown()
  .required();

/** Ink after ink along waves, again and again; the first follows the last. */
const waveFields = {
  /** From the first to the last; `at` is the share of a wave at which an ink stands, or at which its stripe begins. */
  stops: array(object({ ink: idSchema, at: between(0, 1) }).noUnknown())
    .required()
    .min(2)
    .max(MOST_STOPS)
    .test(
      'in order',
      '${path} has to be in order',
      ofWhole((stops) => stops.every(({ at }, n) => n === 0 || at >= (stops[n - 1]?.at ?? 0))),
    ),
  /** Waves over the width and the height of the cell; a step that they do not close on has them in the nearest number that does. */
  across: whole(-MOST_WAVES, MOST_WAVES),
  down: whole(-MOST_WAVES, MOST_WAVES),
};
const TOWARDS = [
  'direction',
  '${path} needs waves across or down',
  ofWhole(({ across, down }: { across: number; down: number }) => across !== 0 || down !== 0),
] as const;

/** Each ink fades into the next. */
const gradientGroundSchema = object({ kind: string().oneOf(['gradient']).required(), ...waveFields })
  .noUnknown()
  .test(...TOWARDS)
  .required();

/** Each ink ends where the next begins. */
const stripedGroundSchema = object({ kind: string().oneOf(['stripes']).required(), ...waveFields })
  .noUnknown()
  .test(...TOWARDS)
  .required();

/** Two inks in squares; woven ones (gingham) are mixed where a band crosses a gap. */
const checkedGroundSchema = object({
  kind: string().oneOf(['checks']).required(),
  inks: array(idSchema).required().length(2),
  /** Pairs of bands over the width and the height of the cell. */
  across: whole(1, MOST_WAVES),
  down: whole(1, MOST_WAVES),
  /** How much of a pair is band. */
  share: between(0.05, 0.95),
  crossing: string().oneOf(['exchanged', 'woven']).required(),
})
  .noUnknown()
  .required();

/** What a cloth or paper looks like from near, by seed. */
const texturedGroundSchema = object({
  kind: string().oneOf(['texture']).required(),
  texture: string().oneOf(TEXTURES).required(),
  /** The ink of the ground, and that of its marks; where there is one, the marks are a shade of it. */
  inks: array(idSchema).required().min(1).max(2),
  /** Times the size that it has of itself. */
  scale: between(0.25, 8),
  /** How much the marks show. */
  strength: between(0, 1),
  seed: whole(0, 999_999),
})
  .noUnknown()
  .required();

/** What lies behind everything. Every kind closes on every lattice. */
export const groundSchema = taggedUnion(
  'kind',
  {
    none: noGroundSchema,
    flat: flatGroundSchema,
    gradient: gradientGroundSchema,
    stripes: stripedGroundSchema,
    checks: checkedGroundSchema,
    texture: texturedGroundSchema,
  },
  'ground',
);

type Tagged<S, K extends string> = S extends { readonly kind: string } ? Omit<S, 'kind'> & { readonly kind: K } : never;

export type NoGround = Tagged<Immutable<InferType<typeof noGroundSchema>>, 'none'>;
export type FlatGround = Tagged<Immutable<InferType<typeof flatGroundSchema>>, 'flat'>;
export type WaveGround = Tagged<Immutable<InferType<typeof gradientGroundSchema>>, 'gradient' | 'stripes'>;
export type CheckedGround = Tagged<Immutable<InferType<typeof checkedGroundSchema>>, 'checks'>;
export type TexturedGround = Tagged<Immutable<InferType<typeof texturedGroundSchema>>, 'texture'>;
export type Ground = NoGround | FlatGround | WaveGround | CheckedGround | TexturedGround;

export const NO_GROUND: Ground = { kind: 'none' };

/** The inks that a ground is printed in, each once, the first that it shows first. */
export function inksOfGround(ground: Ground): string[] {
  switch (ground.kind) {
    case 'none':
      return [];
    case 'flat':
      return [ground.ink];
    case 'gradient':
    case 'stripes':
      return [...new Set(ground.stops.map(({ ink }) => ink))];
    case 'checks':
    case 'texture':
      return [...new Set(ground.inks)];
  }
}

/** The ground in other inks. @param replaced the ink that comes in place of one */
export function withGroundInks(ground: Ground, replaced: (ink: string) => string): Ground {
  switch (ground.kind) {
    case 'none':
      return ground;
    case 'flat':
      return { ...ground, ink: replaced(ground.ink) };
    case 'gradient':
    case 'stripes':
      return { ...ground, stops: ground.stops.map(({ ink, at }) => ({ ink: replaced(ink), at })) };
    case 'checks':
    case 'texture':
      return { ...ground, inks: ground.inks.map(replaced) };
  }
}
