import { array, boolean, number, object, string, type InferType } from 'yup';
import { picturePaletteSchema } from './picturePalette.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, stepSchema } from '../lattice/index.ts';
import { addressSchema, between, type Immutable, taggedUnion, ofWhole } from '../schema/index.ts';

export const MOST_CLONES = 200;
const MOST_CLONE_POINTS = 500;
export const LARGEST_CLONE = 0.15;

export const MOST_SHEAR = 45;

/** Pixels of a picture; no picture that is read has a longer side. */
const pixels = between(-1e5, 1e5);

/** What of a picture is taken, in its upright pixels. */
export const pictureFrameSchema = object({
  /** Its middle. */
  x: pixels,
  y: pixels,
  width: between(1, 1e5),
  height: between(1, 1e5),
  /** Degrees clockwise. */
  rotation: between(-360, 360),
  /** Degrees by which its sides lean, the lower end to the right; its height is measured upright. */
  shear: number().min(-MOST_SHEAR).max(MOST_SHEAR).optional(),
})
  .noUnknown()
  .required();

const plainStep = stepSchema.test(
  'plain',
  'pictures that are joined or halved take a step without reflections and rotations',
  ofWhole(
    ({ mirrored, rotated, honeycomb }) => mirrored === undefined && rotated === undefined && honeycomb === undefined,
  ),
);

/** How the frame becomes a tile: laid by what a step does to its cells, */
const laidSchema = object({
  kind: string().oneOf(['laid']).required(),
  step: stepSchema.required(),
}).noUnknown();
/** turned inside out, so that its edges meet in the middle, */
const halvesSchema = object({
  kind: string().oneOf(['halves']).required(),
  step: plainStep.required(),
}).noUnknown();
/** or laid over itself, cut where it differs least, and joined. */
const joinedSchema = object({
  kind: string().oneOf(['joined']).required(),
  step: plainStep.required(),
  /** How much of each side lies over the next, as a share. */
  overlap: number().min(0.02).max(0.5).required(),
  /** Whether the step that is left is spread over its surroundings. */
  spread: boolean().required(),
  /** Whether uneven light is taken out first. */
  even: boolean().required(),
}).noUnknown();

/** A way of making a picture repeat. */
export const tileWaySchema = taggedUnion(
  'kind',
  { laid: laidSchema, halves: halvesSchema, joined: joinedSchema },
  'way',
);

/** A stroke that paints over the cloth with what lies so far from it; places and lengths are shares of the cell's width, and down of its height. */
export const cloneSchema = object({
  path: array(object({ x: between(-100, 100), y: between(-100, 100) }).noUnknown())
    .min(1)
    .max(MOST_CLONE_POINTS)
    .required(),
  /** Of the brush, a share of the cell's width. */
  radius: between(0.001, LARGEST_CLONE),
  /** From what is painted over to what is taken. */
  dx: between(-100, 100),
  dy: between(-100, 100),
}).noUnknown();

/** A picture made to repeat, as a motif that fills the cell of its step. */
export const tileRecipeSchema = object({
  kind: string().oneOf(['tile']).required(),
  /** Content address of the picture. */
  picture: addressSchema,
  frame: pictureFrameSchema,
  /** Of the frame on the cloth, mm. */
  width: between(SMALLEST_CELL_MM, LARGEST_CELL_MM),
  way: tileWaySchema,
  /** In the order in which they were painted. */
  clones: array(cloneSchema).max(MOST_CLONES).optional(),
  palette: picturePaletteSchema,
})
  .noUnknown()
  .required();

/** What of a recipe says how a picture is made a tile. */
export const tileWishSchema = tileRecipeSchema.pick(['frame', 'width', 'way', 'clones']).noUnknown();

export type TileRecipe = Immutable<InferType<typeof tileRecipeSchema>>;
export type CloneStroke = NonNullable<TileRecipe['clones']>[number];
export type PictureFrame = TileRecipe['frame'];
export type TileWay = TileRecipe['way'];
