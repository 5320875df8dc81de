import { array, boolean, object, string, type InferType } from 'yup';
import { between, finite, idSchema, type Immutable, taggedUnion, whole } from '../schema/index.ts';
import { LEAST_GAP, MOST_GAP } from './tossRecipe.ts';

export const MOST_ROWS = 12;
export const MOST_IN_ROW = 24;
export const MOST_IN_GRID = 600;
export const MOST_GRID_SIZE = 3;
/** mm; as wide as the largest cell. */
const LARGEST_MOTIF = 5000;

/** Motifs set in rows: the cell is exactly as wide as the widest row and one gap, and as high as all rows and their gaps. */
export const rowRecipeSchema = object({
  kind: string().oneOf(['row']).required(),
  /** Motifs in their order, row by row from the top; further rows than these are the step's. */
  rows: array(array(idSchema).required().min(1).max(MOST_IN_ROW)).required().min(1).max(MOST_ROWS),
  /** What the motifs have in common, each of their own extent; of an area, the side of the square that is as large. */
  equal: string().oneOf(['width', 'height', 'area']).required(),
  /** mm. */
  size: finite().required().moreThan(0).max(LARGEST_MOTIF),
  /** mm between neighbours; in rows narrower than the widest it is wider, so that each fills the cell. */
  gap: between(LEAST_GAP, MOST_GAP),
  /** mm between rows. */
  rowGap: between(LEAST_GAP, MOST_GAP),
})
  .noUnknown()
  .required();

export const GRID_FIGURES = ['dots', 'stripes', 'checks', 'ogees'] as const;
export type GridFigure = (typeof GRID_FIGURES)[number];

/** A figure laid evenly all over, in straight lines that close on the lattice. */
export const gridRecipeSchema = object({
  kind: string().oneOf(['grid']).required(),
  figure: string().oneOf(GRID_FIGURES).required(),
  motif: idSchema,
  /** Whether the motif is drawn out to fill its place exactly, as dots, blocks and ogees made of an ink are; else it keeps its proportions. */
  fitted: boolean().required(),
  /** How many to the cell; of stripes, how many beside each other until they come round again. */
  count: whole(1, MOST_IN_GRID),
  /** Degrees clockwise, as wished: the nearest that closes is taken. */
  angle: between(-360, 360),
  /** Share of the size at which they would touch. */
  size: finite().required().moreThan(0).max(MOST_GRID_SIZE),
})
  .noUnknown()
  .required();

export type RowRecipe = Immutable<InferType<typeof rowRecipeSchema>>;
export type GridRecipe = Immutable<InferType<typeof gridRecipeSchema>>;
/** What the motifs of a row have in common. */
export type Equal = RowRecipe['equal'];
export type LayoutRecipe = RowRecipe | GridRecipe;

export const layoutRecipeSchema = taggedUnion('kind', { row: rowRecipeSchema, grid: gridRecipeSchema }, 'layout');
