import { array, boolean, number, object, string, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { between, idSchema, type Immutable, whole, ofWhole } from '../schema/index.ts';

export const SIDES = ['left', 'right', 'alternate', 'both'] as const;
export const MOST_KNOTS = 200;
const MOST_BRANCHES = 100;
const MOST_LEAVES = 12;
export const MOST_PASSES = 60;
/** Longest stretch from one to the next of its own instances, mm. */
const FARTHEST = 20_000;

const away = between(-FARTHEST, FARTHEST);
const lengthSchema = between(0.1, 2000);

/** A place that the vine goes through, and how wide it is there; mm about the motif's middle. */
const knotSchema = object({ x: away, y: away, width: between(0.05, 200) }).noUnknown();

const branchSchema = object({
  /** Where along the vine, as a share of its length. */
  at: between(0, 1),
  side: string()
    .oneOf(['left', 'right'] as const)
    .required(),
  length: lengthSchema,
  /** Between the vine and the branch where it begins, degrees. */
  angle: between(0, 170),
  /** How far it turns from its beginning to its end, degrees; above 0 back towards the vine. */
  curl: between(-720, 720),
  /** How wide it begins, as a share of the vine there. */
  width: between(0.05, 1),
}).noUnknown();

/** A place where the vine goes under another one, or under itself: it leaves that free. */
const passSchema = object({
  /** Where along the vine, as a share of its length. */
  at: between(0, 1),
  /** What it leaves free: a closed outline of absolute M, L, C and Z, mm about the motif's middle. */
  free: string().required().max(20_000),
}).noUnknown();

const leavesSchema = object({
  motif: idSchema,
  /** From one to the next along the vine, mm; as near to it as goes into its length a whole number of times. */
  spacing: lengthSchema,
  /** Where the first one is, as a share of the spacing. */
  offset: between(0, 1),
  side: string().oneOf(SIDES).required(),
  /** Between the vine and the leaf, degrees: 90 stands upright on it. */
  angle: between(-180, 180),
  /** Sizes between which each is chosen by the seed, as factors on the natural one. */
  smallest: between(0.02, 20),
  largest: between(0.02, 20),
  /** How far it stands off the vine's edge, mm; below 0 it goes in. */
  gap: between(-100, 100),
  seed: whole(1, 9999),
  /** Whether those on the right are mirrored. */
  mirrored: boolean().required(),
}).noUnknown();

/** How a vine is made: a line without an end, of which the motif is one period. Lengths in mm about the motif's middle. */
export const vineRecipeSchema = object({
  kind: string().oneOf(['vine']).required(),
  /** From one of its instances to the next: whole numbers of the repeat's vectors, and what these came to, mm. */
  index: object({ i: number().integer().required(), j: number().integer().required() }).noUnknown().required(),
  period: object({ x: away, y: away })
    .noUnknown()
    .test(
      'distance',
      'a vine goes from one place to another',
      ofWhole(({ x, y }) => Math.hypot(x, y) > 0.1),
    )
    .required(),
  knots: array(knotSchema).required().min(1, 'A vine needs a point').max(MOST_KNOTS),
  ink: hexSchema,
  /** What it fades to halfway to its next instance, and back from; of one ink where missing. */
  fadesTo: hexSchema.optional(),
  opacity: between(0, 1),
  branches: array(branchSchema).required().max(MOST_BRANCHES),
  leaves: array(leavesSchema).required().max(MOST_LEAVES),
  passes: array(passSchema).max(MOST_PASSES).optional().default(undefined),
  /** How much of the ground is seen on either side of what goes over the vine, mm. */
  passGap: between(0, 20).optional(),
})
  .noUnknown()
  .required();

export type VineRecipe = Immutable<InferType<typeof vineRecipeSchema>>;
export type VineKnot = VineRecipe['knots'][number];
export type VineBranch = VineRecipe['branches'][number];
export type VinePass = NonNullable<VineRecipe['passes']>[number];
export type VineLeaves = VineRecipe['leaves'][number];
