import { array, object, string, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { between, finite, type Immutable, orNull, recordOf, ofWhole } from '../schema/index.ts';
import { fadeSchema } from './fade.ts';

/** The figures that a built motif is made of; `core/shapes` draws each. */
export const FIGURE_KINDS = [
  'petals',
  'leaf',
  'blade',
  'scallop',
  'wave',
  'pebble',
  'drop',
  'dot',
  'ring',
  'polygon',
  'star',
  'heart',
  'cloud',
  'block',
  'ogee',
  'lettering',
] as const;
export type FigureKind = (typeof FIGURE_KINDS)[number];

/** The fonts that lettering can be set in. */
export const FONT_IDS = ['bench', 'chandler', 'logbook'] as const;
export type FontId = (typeof FONT_IDS)[number];

/** How a piece is combined with those before it: laid over them, or one outline with them. */
export const COMBINE_MODES = ['lay', 'join', 'cut', 'overlap', 'exclude'] as const;
export type CombineMode = (typeof COMBINE_MODES)[number];

export const MOST_PIECES = 24;
export const LONGEST_TEXT = 40;
/** Figures have far fewer measures. */
const MOST_MEASURES = 50;

const fillSchema = object({
  ink: hexSchema,
  /** What it becomes over the piece; null where it is the ink alone. */
  fade: orNull(fadeSchema),
}).noUnknown();

const outlineSchema = object({
  ink: hexSchema,
  /** mm. */
  width: between(0.01, 100),
}).noUnknown();

const pieceSchema = object({
  figure: string().oneOf(FIGURE_KINDS).required(),
  /** The figure's measures by key; those not named are as usual. */
  values: recordOf(finite().min(-1e4).max(1e4).required()),
  /** What lettering says. */
  text: string().defined().max(LONGEST_TEXT, `Lettering has at most ${LONGEST_TEXT} letters.`),
  /** The font lettering is set in. */
  font: string().oneOf(FONT_IDS).required(),
  /** The figure's middle, mm. */
  x: between(-1e5, 1e5),
  y: between(-1e5, 1e5),
  /** Degrees clockwise. */
  rotation: between(-360, 360),
  combine: string().oneOf(COMBINE_MODES).required(),
  /** Those of the piece that an outline begins with count. */
  fill: fillSchema.nullable().default(undefined).defined(),
  outline: outlineSchema.nullable().default(undefined).defined(),
})
  .noUnknown()
  .test(
    'measures',
    `a figure has at most ${MOST_MEASURES} measures`,
    ofWhole(({ values }) => Object.keys(values).length <= MOST_MEASURES),
  );

/** How a built motif is made: its pieces, bottom to top. */
export const shapeRecipeSchema = object({
  kind: string().oneOf(['shape']).required(),
  pieces: array(pieceSchema)
    .required()
    .min(1, 'A shape needs a piece.')
    .max(MOST_PIECES, `A shape has at most ${MOST_PIECES} pieces.`),
})
  .noUnknown()
  .required();

/** A colour that may change over the piece. */
export type Fill = Immutable<InferType<typeof fillSchema>>;
export type Outline = Immutable<InferType<typeof outlineSchema>>;
/** One figure of a built motif, by its measures. */
export type Piece = Immutable<InferType<typeof pieceSchema>>;
export type ShapeRecipe = Immutable<InferType<typeof shapeRecipeSchema>>;
