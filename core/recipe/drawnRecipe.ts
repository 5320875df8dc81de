import { array, object, string, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import { between, finite, type Immutable, orNull, whole, ofWhole } from '../schema/index.ts';

/** What makes a stroke thicker and thinner along its way: the pen, how fast it was drawn, or nothing. */
export const STROKE_PRESSURES = ['pen', 'speed', 'none'] as const;

/**
 * What a stroke does: it leaves a line, it fills the area that its points go round, it rubs out what lies below it, or it leaves an even
 * line along a path of straight pieces and curves.
 */
export const STROKE_DEEDS = ['line', 'area', 'rubber', 'path'] as const;

/** Along a line, or in rings. */
export const SHADINGS = ['linear', 'radial'] as const;

export const MOST_STROKES = 1000;
/** Letters of the points of one stroke, at the most: about 20,000 points; and of a whole drawing. */
const MOST_LETTERS = 250_000;
export const MOST_DRAWING_LETTERS = 700_000;

/** What a brush leaves, whatever it is drawn. Lengths in mm. */
export const brushSchema = object({
  /** Where the pen is pressed most, mm. */
  width: between(0.05, 200),
  /** How much thinner a stroke is where it is pressed less; below 0 it is thicker there. */
  thinning: between(-1, 1),
  pressure: string().oneOf(STROKE_PRESSURES).required(),
  /** How long a stroke takes to reach its width, and to end, mm. */
  taperStart: between(0, 1000),
  taperEnd: between(0, 1000),
  /** How far the unsteadiness of the hand is evened out, 0 to 1. */
  smoothing: between(0, 1),
  /** How uneven its edge is, as if it were cut or painted dry, 0 to 1. */
  roughness: between(0, 1),
  /** The colour slot that prints it. */
  ink: hexSchema,
  opacity: between(0, 1),
  /** What fills the area that it encloses, below it; null where nothing does. */
  fill: orNull<Hex>(hexSchema),
}).noUnknown();

const placeSchema = object({ x: finite().required(), y: finite().required() }).noUnknown();

/** Goes over from the fill's own ink to another, between two places or from a middle outwards. Lengths in mm from the motif's middle. */
const shadingSchema = object({
  kind: string().oneOf(SHADINGS).required(),
  /** What it goes over to. */
  ink: hexSchema,
  /** How far that covers, as a share of what the stroke does. */
  opacity: between(0, 1),
  /** Where the fill's own ink ends, and where the other begins. */
  from: placeSchema.required(),
  to: placeSchema.required(),
}).noUnknown();

export const strokeSchema = brushSchema.shape({
  deed: string().oneOf(STROKE_DEEDS).required(),
  /** Of the edge. */
  seed: whole(1, 9999),
  /** Where the pen went, as `encodePoints` of core/draw writes it, mm from the motif's middle; of a path absolute M, L, C and Z. */
  points: string().required().max(MOST_LETTERS),
  /** Of its fill, or of all of it where it has none; even where missing. */
  shading: shadingSchema.optional().default(undefined),
});

/** How a motif is made that was drawn by hand: its strokes, bottom to top. */
export const drawnRecipeSchema = object({
  kind: string().oneOf(['drawn']).required(),
  strokes: array(strokeSchema)
    .required()
    .min(1, 'A drawing needs a stroke.')
    .max(MOST_STROKES, `A drawing has at most ${MOST_STROKES} strokes.`)
    .test(
      'letters',
      'A drawing holds at most about 100,000 points',
      ofWhole((strokes) => strokes.reduce((sum, { points }) => sum + points.length, 0) <= MOST_DRAWING_LETTERS),
    ),
})
  .noUnknown()
  .required();

/** One stroke of a hand-drawn motif. Lengths in mm. Immutable. */
export type Stroke = Immutable<InferType<typeof strokeSchema>>;
export type Shading = NonNullable<Stroke['shading']>;
export type Brush = Immutable<InferType<typeof brushSchema>>;
export type DrawnRecipe = Immutable<InferType<typeof drawnRecipeSchema>>;
