import { array, boolean, number, object, string, type InferType } from 'yup';
import { LARGEST_SCALE, normaliseAngle, SMALLEST_SCALE } from '../geometry/index.ts';
import { between, idSchema, type Immutable, taggedUnion, whole, ofWhole } from '../schema/index.ts';

/** The three roles a motif can play in a toss, large to small. */
export const ROLES = ['hero', 'companion', 'filler'] as const;
export type Role = (typeof ROLES)[number];

/** Limits of counts and gaps, for fields and schemas alike. */
export const MOST_TOSSED = 2000;
export const LEAST_GAP = -30;
export const MOST_GAP = 200;

const entrySchema = object({
  motif: idSchema,
  role: string().oneOf(ROLES).required(),
  /** How many are laid at the most. */
  count: whole(0, MOST_TOSSED),
  /** Scales between which it is laid; as large as fits. */
  smallest: between(SMALLEST_SCALE, LARGEST_SCALE),
  largest: between(SMALLEST_SCALE, LARGEST_SCALE),
})
  .noUnknown()
  .test(
    'rising',
    '${path} has to grow from its smallest to its largest size',
    ofWhole(({ smallest, largest }) => smallest <= largest),
  );

const direction = <K extends string>(kind: K) =>
  object({ kind: string().oneOf([kind]).required() })
    .noUnknown()
    .required();

/** Which ways motifs look: one way, two (also head down), four, all round, or within a range of degrees. */
const directionsSchema = taggedUnion(
  'kind',
  {
    one: direction('one'),
    two: direction('two'),
    four: direction('four'),
    all: direction('all'),
    range: object({ kind: string().oneOf(['range']).required(), from: between(-360, 360), to: between(-360, 360) })
      .noUnknown()
      .required(),
  },
  'set of directions',
);

/** What a toss is made by; the same recipe and seed on the same cloth give the same toss. */
export const tossRecipeSchema = object({
  entries: array(entrySchema).required().max(200),
  directions: directionsSchema,
  /** Whether every other motif, at random, is flipped. */
  flipped: boolean().required(),
  /** mm between neighbours, their repeats included; below 0 they may lie over each other by so much. */
  gap: between(LEAST_GAP, MOST_GAP),
  /** Share of the ground that is to show; fillers end where less would. 0 to 1. */
  ground: between(0, 1),
  seed: number().integer().required().min(0).max(1e9),
})
  .noUnknown()
  .required();

/** One motif of a toss. */
export type TossEntry = Immutable<InferType<typeof entrySchema>>;
export type TossRecipe = Immutable<InferType<typeof tossRecipeSchema>>;
export type Directions = TossRecipe['directions'];

/** How many make a share, 0 to below 1, of all, where there are so many others. */
export function countOfShare(share: number, others: number): number {
  return Math.min(MOST_TOSSED, Math.round((share * others) / (1 - share)));
}

/** Whether something may look that way; degrees. */
export function isAllowed(directions: Directions, rotation: number): boolean {
  const every = { one: 360, two: 180, four: 90 };
  switch (directions.kind) {
    case 'all':
      return true;
    case 'range': {
      const [low, high] = [Math.min(directions.from, directions.to), Math.max(directions.from, directions.to)];
      const above = (((rotation - low) % 360) + 360) % 360;
      return above <= high - low + 1e-6 || above >= 360 - 1e-6;
    }
    default: {
      const rest = ((rotation % every[directions.kind]) + every[directions.kind]) % every[directions.kind];
      return Math.min(rest, every[directions.kind] - rest) < 1e-6;
    }
  }
}

/** The angle that a share, from 0 to below 1, of all that are allowed means; degrees. */
export function rotationFor(directions: Directions, share: number): number {
  switch (directions.kind) {
    case 'one':
      return 0;
    case 'two':
      return share < 0.5 ? 0 : 180;
    case 'four':
      return normaliseAngle(90 * Math.floor(share * 4));
    case 'all':
      return normaliseAngle(Math.floor(share * 360));
    case 'range':
      return normaliseAngle(Math.round((directions.from + (directions.to - directions.from) * share) * 1e4) / 1e4);
  }
}
