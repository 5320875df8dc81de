import { boolean, object, string, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import { between, type Immutable } from '../schema/index.ts';
import { type Extent, extentSchema, LONGEST_CLOTH_MM } from './extent.ts';
import { MOST_BLEED } from './bleed.ts';

/** The kinds of files that hold shapes rather than pixels. */
export const VECTOR_FORMATS = {
  svg: { name: 'SVG', extension: 'svg', mime: 'image/svg+xml' },
  'svg-pattern': { name: 'SVG pattern', extension: 'svg', mime: 'image/svg+xml' },
  pdf: { name: 'PDF', extension: 'pdf', mime: 'application/pdf' },
  css: { name: 'CSS', extension: 'css', mime: 'text/css' },
} as const;

export type VectorFormatName = keyof typeof VECTOR_FORMATS;
// What a record's keys are is known from its literal.
export const VECTOR_FORMAT_NAMES = Object.keys(VECTOR_FORMATS) as VectorFormatName[];

/** All that is asked of a file of shapes. */
export const vectorOrderSchema = object({
  format: string().oneOf(VECTOR_FORMAT_NAMES).required(),
  extent: extentSchema,
  /** Printed width of what goes into the file, mm; its true width where missing. */
  width: between(1, LONGEST_CLOTH_MM).optional(),
  /** mm beyond each edge of the trim, as printed. */
  bleed: between(0, MOST_BLEED),
  /** Lines outside the bleed that show where to cut. */
  marks: boolean().required(),
  /** Whether flat colours of a PDF are spot colours by the names of their inks. */
  spotColours: boolean().required(),
  /** Whether the rule of a CSS file has the tile in itself, rather than in a file beside it. */
  inline: boolean().required(),
  /** What lies behind a design without a ground; transparent where missing. */
  backdrop: hexSchema.optional(),
})
  .noUnknown()
  .required();

type Fields = Immutable<InferType<typeof vectorOrderSchema>>;
export interface VectorOrder extends Omit<Fields, 'extent' | 'backdrop'> {
  readonly extent: Extent;
  readonly backdrop?: Hex | undefined;
}

/** The tile at its true size, nothing else. */
export function vectorTileOrder(format: VectorFormatName): VectorOrder {
  return { format, extent: { kind: 'tile' }, bleed: 0, marks: false, spotColours: false, inline: true };
}
