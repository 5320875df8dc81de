import { number, object, string, tuple, array } from 'yup';
import {
  type Brush,
  brushSchema,
  type MaskedRecipe,
  maskedRecipeSchema,
  type PointsRecipe,
  pointsRecipeSchema,
  type Stroke,
  strokeSchema,
  type VineRecipe,
  vineRecipeSchema,
} from '../../core/recipe/index.ts';
import type { Matrix } from '../../core/geometry/index.ts';
import { forget, keep, read } from '../ui/browserKeep.ts';

/** A drawing that is not done yet, as the browser keeps it. */
export interface KeptDrawing {
  readonly strokes: readonly Stroke[];
  /** A vine that is being made, in the same mm as the strokes. */
  readonly vine?: VineRecipe | undefined;
  /** From the strokes' own mm to the plane. */
  readonly frame: Matrix;
  /** The motif that it goes on with, and the placement where it lies. */
  readonly continued: { readonly placement: string; readonly motif: string; readonly name: string } | undefined;
}

const real = number().required();
const drawingSchema = object({
  strokes: array(strokeSchema).required(),
  vine: vineRecipeSchema.optional().default(undefined),
  frame: tuple([real, real, real, real, real, real]).required(),
  continued: object({ placement: string().required(), motif: string().required(), name: string().required() })
    .optional()
    .default(undefined),
}).noUnknown();

const BRUSH = 'hevrel.brush';
const keyOf = (design: string): string => `hevrel.drawing.${design}`;

/** Keeps a drawing for when its design is opened again. @returns whether the browser had room for it */
export function keepDrawing(design: string, drawing: KeptDrawing): boolean {
  return keep(keyOf(design), drawing);
}

export function forgetDrawing(design: string): void {
  forget(keyOf(design));
}

/** The drawing of a design that was not done; undefined where there is none that can be read. */
export function keptDrawing(design: string): KeptDrawing | undefined {
  const drawing = read(keyOf(design), (value) => drawingSchema.validateSync(value, { strict: true }));
  return drawing && { ...drawing, vine: drawing.vine, continued: drawing.continued };
}

/** What was being done to a motif and is not finished, as the browser keeps it. */
interface KeptChange<R> {
  readonly placement: string;
  readonly motif: string;
  readonly recipe: R;
}
export type KeptPoints = KeptChange<PointsRecipe>;
export type KeptMask = KeptChange<MaskedRecipe>;

const changed = { placement: string().required(), motif: string().required() };
const pointsSchema = object({ ...changed, recipe: pointsRecipeSchema }).noUnknown();
const maskSchema = object({ ...changed, recipe: maskedRecipeSchema }).noUnknown();
const pointsKeyOf = (design: string): string => `hevrel.points.${design}`;
const maskKeyOf = (design: string): string => `hevrel.mask.${design}`;

/** Keeps moved points for when their design is opened again. @returns whether the browser had room for them */
export function keepPoints(design: string, points: KeptPoints): boolean {
  return keep(pointsKeyOf(design), points);
}

export function forgetPoints(design: string): void {
  forget(pointsKeyOf(design));
}

export function keptPoints(design: string): KeptPoints | undefined {
  return read(pointsKeyOf(design), (value) => pointsSchema.validateSync(value, { strict: true }));
}

/** Keeps a mask for when its design is opened again. @returns whether the browser had room for it */
export function keepMask(design: string, mask: KeptMask): boolean {
  return keep(maskKeyOf(design), mask);
}

export function forgetMask(design: string): void {
  forget(maskKeyOf(design));
}

export function keptMask(design: string): KeptMask | undefined {
  return read(maskKeyOf(design), (value) => maskSchema.validateSync(value, { strict: true }));
}

const NEW_BRUSH: Brush = {
  width: 3,
  thinning: 0.6,
  pressure: 'speed',
  taperStart: 4,
  taperEnd: 10,
  smoothing: 0.5,
  roughness: 0,
  ink: '#1f2430',
  opacity: 1,
  fill: null,
};

/** Where there is no room for it the brush is chosen again next time. */
export function keepBrush(brush: Brush): void {
  keep(BRUSH, brush);
}

export function keptBrush(): Brush {
  return read(BRUSH, (value) => brushSchema.validateSync(value, { strict: true })) ?? NEW_BRUSH;
}
