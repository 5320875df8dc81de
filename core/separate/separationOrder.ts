import { array, object, string, type InferType } from 'yup';
import { MOST_INKS } from '../document/index.ts';
import { between, idSchema, type Immutable, recordOf, whole } from '../schema/index.ts';

/** How plates come out: flat areas alone, with shades as dots or lines, or as shades of grey. */
export const PLATE_DEPTHS = ['flat', 'screened', 'grey'] as const;
export const SCREEN_SHAPES = ['round', 'line'] as const;
export const PLATE_FORMATS = ['tiff', 'png', 'pdf'] as const;

/** What is asked of a set of plates. */
export const separationOrderSchema = object({
  format: string().oneOf(PLATE_FORMATS).required(),
  dpi: whole(50, 1200),
  depth: string().oneOf(PLATE_DEPTHS).required(),
  /** Of plates with shades as dots or lines: how many of them to the inch. */
  lpi: between(5, 150),
  shape: string().oneOf(SCREEN_SHAPES).required(),
  /** Degrees clockwise from level, by ink; those that are missing get one of their own. */
  angles: recordOf(between(-180, 180)),
  /** The first is printed first; inks that are missing follow, the lightest first. */
  sequence: array(idSchema).required().max(MOST_INKS),
  /** How far a plate reaches under darker ones, mm. */
  trap: between(0, 5),
  /** What all plates together may print at one place, percent. */
  inkLimit: between(100, 2000),
})
  .noUnknown()
  .required();

export type SeparationOrder = Immutable<InferType<typeof separationOrderSchema>>;

/** What most screen printers begin with. */
export const DEFAULT_SEPARATION: SeparationOrder = {
  format: 'tiff',
  dpi: 300,
  depth: 'screened',
  lpi: 45,
  shape: 'round',
  angles: {},
  sequence: [],
  trap: 0,
  inkLimit: 240,
};
