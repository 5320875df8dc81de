import { array, boolean, mixed, number, object, string, tuple, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { picturePaletteSchema } from './picturePalette.ts';
import { addressSchema, between, type Immutable, pointSchema, whole, ofWhole } from '../schema/index.ts';

/** A step that may be left out: null. */
const level = between(0, 255);

const levelsSchema = object({ black: level, middle: level, white: level })
  .noUnknown()
  .nullable()
  .default(undefined)
  .defined()
  .test(
    'rising',
    'black, middle and white have to rise',
    ofWhole((value) => !value || (value.black < value.middle && value.middle < value.white)),
  );

const paperSchema = object({
  /** Wherever the paper's colour is, or only where it is reached from outside. */
  reach: mixed<'everywhere' | 'outside'>().oneOf(['everywhere', 'outside']).required(),
  /** The paper's colour, or null to find it. */
  colour: hexSchema.optional().nullable().defined(),
  /** How far a channel may lie from the paper's, 0 to 255. */
  tolerance: level,
  /** Width of the edge in which the drawing thins out, mm. */
  soft: between(0, 5),
}).noUnknown();

const cuttingSchema = object({
  /** Components closer than this stay together, mm. */
  gap: between(0, 500),
  /** Drawings joined by hand, each by a point in it. */
  joins: array(array(pointSchema).required().min(1).max(200)).required().max(200),
  /** Lines along which what lies under them is split by hand. */
  splits: array(tuple([pointSchema.required(), pointSchema.required()]).required())
    .required()
    .max(200),
  /** Drawings that are left out by hand, each by a point in it. */
  without: array(pointSchema).required().max(500),
}).noUnknown();

const tracingSchema = object({
  /** 1 to 8. */
  inks: whole(1, 8),
  /** 0 to 1: how far curves may leave the pixels' edges. */
  smoothness: between(0, 1),
  /** 0 to 1: how small a shape is kept. */
  detail: between(0, 1),
}).noUnknown();

const coordinate = between(-1e5, 1e5);

/** What is done to a scan, in this order. Lengths are mm of the scan. */
export const cleanStepsSchema = object({
  /** Quarter turns clockwise. */
  quarters: number<0 | 1 | 2 | 3>()
    .oneOf([0, 1, 2, 3] as const)
    .required(),
  /** Degrees clockwise by which it is straightened. */
  straighten: between(-45, 45),
  /** Kept part, mm of the straightened scan, or null for all. */
  crop: object({ left: coordinate, top: coordinate, right: coordinate, bottom: coordinate })
    .noUnknown()
    .nullable()
    .default(undefined)
    .defined(),
  /** Takes out how unevenly the paper is lit. */
  evenLight: boolean().required(),
  levels: levelsSchema,
  paper: paperSchema.nullable().default(undefined).defined(),
  /** Anything of less area is dirt, mm². */
  specks: between(0, 1e4),
  trim: boolean().required(),
  cut: cuttingSchema.nullable().default(undefined).defined(),
  trace: tracingSchema.nullable().default(undefined).defined(),
})
  .noUnknown()
  .required();

/** How a motif is made from a scan or a photograph. */
export const scanRecipeSchema = object({
  kind: string().oneOf(['scan']).required(),
  /** Content address of the picture as it was imported. */
  picture: addressSchema,
  dpi: between(1, 10_000),
  steps: cleanStepsSchema,
  /** The drawing on a cut scan that this motif is, by a point in it, mm of the cleaned scan; null for the whole. */
  drawing: pointSchema.nullable().default(undefined).defined(),
  palette: picturePaletteSchema,
})
  .noUnknown()
  .required();

/** Lifts: what becomes black, what becomes white, and what lies half way between them, each 0 to 255. */
export type Levels = Immutable<NonNullable<InferType<typeof levelsSchema>>>;
/** Taking the paper away. */
export type PaperRemoval = Immutable<InferType<typeof paperSchema>>;
/** Cutting a scan into its drawings. */
export type Cutting = Immutable<InferType<typeof cuttingSchema>>;
/** A line between two points, mm of the cleaned scan. */
export type CutLine = Cutting['splits'][number];
/** Turning the pixels into vectors. */
export type Tracing = Immutable<InferType<typeof tracingSchema>>;
export type CleanSteps = Immutable<InferType<typeof cleanStepsSchema>>;
export type ScanRecipe = Immutable<InferType<typeof scanRecipeSchema>>;

/** A scan as it is when nothing is done to it. */
export const NO_STEPS: CleanSteps = {
  quarters: 0,
  straighten: 0,
  crop: null,
  evenLight: false,
  levels: null,
  paper: null,
  specks: 0,
  trim: false,
  cut: null,
  trace: null,
};
