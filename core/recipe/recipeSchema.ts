import { array, boolean, lazy, mixed, number, object, string, tuple, type Schema } from 'yup';
import { MOST_PARTS } from './bundleRecipe.ts';
import { hexSchema, idSchema } from '../document/schema.ts';
import { LARGEST_SCALE, SMALLEST_ASPECT, LARGEST_ASPECT, SMALLEST_SCALE } from '../document/placement.ts';
import { FIGURE_KINDS } from '../shapes/figures.ts';
import { FONT_IDS } from '../shapes/lettering.ts';
import { LONGEST_TEXT, COMBINE_MODES, MOST_PIECES } from './shapeRecipe.ts';
import { FARTHEST_MERGE } from '../motif/mergeInks.ts';
import type { Recipe } from './recipe.ts';

const address = string()
  .required()
  .matches(/^[0-9a-f]{64}\.[a-z]{2,5}$/, '${path} has to be a content address');
const finite = (least: number, most: number) =>
  number()
    .required()
    .min(least)
    .max(most)
    .test('finite', '${path} has to be a number', (n) => Number.isFinite(n));
const place = finite(-1e5, 1e5);
const point = object({ x: place, y: place }).noUnknown();
const ink = hexSchema;

const part = object({
  motif: idSchema,
  x: place,
  y: place,
  rotation: finite(-360, 360),
  // Parts of parts can lie outside what a hand could set on the cloth.
  scale: finite(SMALLEST_SCALE / 1000, LARGEST_SCALE * 1000),
  aspect: finite(SMALLEST_ASPECT / 1000, LARGEST_ASPECT * 1000),
  skew: finite(-90, 90),
  flipped: boolean().required(),
  opacity: finite(0, 1),
}).noUnknown();

const measures = lazy((given: unknown) =>
  object(
    Object.fromEntries(
      Object.keys(typeof given === 'object' && given !== null ? given : {})
        .slice(0, 50)
        .map((key) => [key, finite(-1e4, 1e4)]),
    ),
  ).required(),
);

const piece = object({
  figure: string().oneOf(FIGURE_KINDS).required(),
  values: measures,
  text: string().defined().max(LONGEST_TEXT, `Lettering has at most ${LONGEST_TEXT} letters.`),
  font: string().oneOf(FONT_IDS).required(),
  x: place,
  y: place,
  rotation: finite(-360, 360),
  combine: string().oneOf(COMBINE_MODES).required(),
  fill: object({
    ink,
    fade: object({ angle: finite(-360, 360), rest: finite(0, 1) })
      .noUnknown()
      .nullable()
      .default(undefined)
      .defined(),
  })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  outline: object({ ink, width: finite(0.01, 100) })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
}).noUnknown();

const level = finite(0, 255);
export const cleanStepsSchema = object({
  quarters: number().oneOf([0, 1, 2, 3]).required(),
  straighten: finite(-45, 45),
  crop: object({ left: place, top: place, right: place, bottom: place })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  evenLight: boolean().required(),
  levels: object({ black: level, middle: level, white: level })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined()
    .test(
      'rising',
      'black, middle and white have to rise',
      (value) => !value || (value.black < value.middle && value.middle < value.white),
    ),
  paper: object({
    reach: mixed().oneOf(['everywhere', 'outside']).required(),
    colour: hexSchema.optional().nullable().defined(),
    tolerance: level,
    soft: finite(0, 5),
  })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  specks: finite(0, 1e4),
  trim: boolean().required(),
  cut: object({
    gap: finite(0, 500),
    joins: array(array(point).required().min(1).max(200)).required().max(200),
    splits: array(tuple([point.required(), point.required()]).required())
      .required()
      .max(200),
    without: array(point).required().max(500),
  })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  trace: object({ inks: number().integer().min(1).max(8).required(), smoothness: finite(0, 1), detail: finite(0, 1) })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
})
  .noUnknown()
  .required();

const RECIPES: Readonly<Record<Recipe['kind'], Schema>> = {
  bundle: object({
    kind: string().required(),
    parts: array(part)
      .required()
      .min(1, 'A bundle needs a motif in it.')
      .max(MOST_PARTS, `A bundle holds at most ${MOST_PARTS} motifs.`),
  })
    .noUnknown()
    .required(),
  shape: object({
    kind: string().required(),
    pieces: array(piece)
      .required()
      .min(1, 'A shape needs a piece.')
      .max(MOST_PIECES, `A shape has at most ${MOST_PIECES} pieces.`),
  })
    .noUnknown()
    .required(),
  scan: object({
    kind: string().required(),
    picture: address,
    dpi: finite(1, 10_000),
    steps: cleanStepsSchema,
    drawing: point.nullable().default(undefined).defined(),
  })
    .noUnknown()
    .required(),
  merged: object({ kind: string().required(), original: address, within: finite(0, FARTHEST_MERGE) })
    .noUnknown()
    .required(),
};
const unknownRecipe = mixed()
  .required()
  .test('known', '${path} is no recipe that is known', () => false);

/** A recipe as it may come in at any door. */
export const recipeSchema = lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null | undefined)?.kind;
  return typeof kind === 'string' && Object.hasOwn(RECIPES, kind) ? RECIPES[kind as Recipe['kind']] : unknownRecipe;
});
