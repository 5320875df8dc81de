import { array, boolean, number, object, string, type InferType } from 'yup';
import { between, idSchema, type Immutable, orNull, pointSchema, taggedUnion, whole } from '../schema/index.ts';

/** An array holds so many motifs at the most. */
export const MOST_IN_ARRAY = 500;
/** mm. */
const length = between(0.1, 5000);

const gridSchema = object({
  kind: string().oneOf(['grid']).required(),
  columns: whole(1, 100),
  rows: whole(1, 100),
  /** mm from middle to middle. */
  across: length,
  down: length,
  /** By which share of the distance every other row is shifted. */
  shift: between(0, 1),
}).noUnknown();

const ringSchema = object({
  kind: string().oneOf(['ring']).required(),
  count: whole(1, MOST_IN_ARRAY),
  /** mm. */
  radius: between(0, 5000),
  /** Degrees clockwise from the top at which it begins, and how far round it goes. */
  from: between(-360, 360),
  sweep: between(1, 360),
  /** Whether each is turned with its place. */
  facing: boolean().required(),
}).noUnknown();

const lineSchema = object({
  kind: string().oneOf(['line']).required(),
  count: whole(1, MOST_IN_ARRAY),
  /** Points that a smooth line goes through, mm about the middle. */
  points: array(pointSchema).required().min(2).max(40),
  /** Whether each is turned along the line. */
  facing: boolean().required(),
}).noUnknown();

const frameSchema = object({
  kind: string().oneOf(['frame']).required(),
  /** mm, from middle to middle of the corners. */
  width: length,
  height: length,
  /** Motifs between the corners of each side. */
  across: whole(0, 100),
  down: whole(0, 100),
  /** The motif of the corners; that of the sides where null. */
  corner: orNull(idSchema),
}).noUnknown();

/** How a motif is laid again and again, so that all of it can be changed later. */
export const arrayRecipeSchema = object({
  kind: string().oneOf(['array']).required(),
  motif: idSchema,
  layout: taggedUnion('kind', { grid: gridSchema, ring: ringSchema, line: lineSchema, frame: frameSchema }, 'layout'),
  /** Degrees by which each is turned more than the one before. */
  turn: between(-360, 360),
  /** By how much each is larger than the one before, a share: 0.1 is ten percent. */
  growth: between(-0.5, 0.5),
  /** Up to how far each is turned, degrees, and scaled, a share, as the seed has it. */
  varyRotation: between(0, 180),
  varyScale: between(0, 0.9),
  seed: number().integer().min(0).max(999_999).required(),
  /** Whether every other one is mirrored left to right: along the line, or on a grid as on a chessboard. */
  alternating: boolean().optional(),
})
  .noUnknown()
  .required();

export type ArrayRecipe = Immutable<InferType<typeof arrayRecipeSchema>>;
export type ArrayLayout = ArrayRecipe['layout'];
