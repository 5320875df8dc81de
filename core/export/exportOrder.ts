import { ofWhole } from '../schema/index.ts';
import { boolean, number, object, string, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import type { Immutable } from '../schema/index.ts';
import { bleedSchema, NO_BLEED } from './bleed.ts';
import { type ExportSize, exportSizeSchema } from './exportSize.ts';
import { type Extent, extentSchema } from './extent.ts';
import { RASTER_FORMAT_NAMES } from './rasterFormat.ts';

/** All that is asked of a file. */
export const exportOrderSchema = object({
  format: string().oneOf(RASTER_FORMAT_NAMES).required(),
  extent: extentSchema,
  size: exportSizeSchema,
  bleed: bleedSchema,
  /** Lines outside the bleed that show where to cut. */
  marks: boolean().required(),
  /** What lies behind a design without a ground; transparent where missing. */
  backdrop: hexSchema.optional(),
  /** Bits a channel, of a PNG alone; 8 where missing. */
  depth: number<16>().oneOf([16]).optional(),
})
  .noUnknown()
  .required()
  .test(
    'deep',
    '16 bits a channel are for PNG',
    ofWhole(({ format, depth }) => depth === undefined || format === 'png'),
  );

type Fields = Immutable<InferType<typeof exportOrderSchema>>;
export interface ExportOrder extends Omit<Fields, 'extent' | 'size' | 'backdrop'> {
  readonly extent: Extent;
  readonly size: ExportSize;
  readonly backdrop?: Hex | undefined;
}

/** The tile as a PNG, nothing else. */
export function tileOrder(size: ExportSize): ExportOrder {
  return { format: 'png', extent: { kind: 'tile' }, size, bleed: NO_BLEED, marks: false };
}
