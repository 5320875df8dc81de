import { number, object, string, type InferType } from 'yup';
import { type Repeat, tileOf } from '../lattice/index.ts';
import { between, type Immutable, taggedUnion, whole } from '../schema/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { LONGEST_CLOTH_MM } from './extent.ts';

export const LEAST_DPI = 10;
export const MOST_DPI = 2400;
export const MOST_WIDTH_PX = 100_000;
/** Sides of game textures, pixels. */
export const TEXTURE_SIDES = [64, 128, 256, 512, 1024, 2048, 4096, 8192] as const;

const densitySchema = object({ kind: string().oneOf(['density']).required(), dpi: between(LEAST_DPI, MOST_DPI) })
  .noUnknown()
  .required();
const pixelsSchema = object({ kind: string().oneOf(['pixels']).required(), width: whole(1, MOST_WIDTH_PX) })
  .noUnknown()
  .required();
const printSchema = object({
  kind: string().oneOf(['print']).required(),
  /** mm. */
  width: between(1, LONGEST_CLOTH_MM),
  dpi: between(LEAST_DPI, MOST_DPI),
})
  .noUnknown()
  .required();
const textureSchema = object({
  kind: string().oneOf(['texture']).required(),
  side: number()
    .oneOf([...TEXTURE_SIDES])
    .required(),
})
  .noUnknown()
  .required();

/**
 * How large a file is: by a density at the design's true size; by its width in pixels; printed at another width; or a
 * tile whose sides are powers of two, the longer one as given.
 */
export const exportSizeSchema = taggedUnion(
  'kind',
  { density: densitySchema, pixels: pixelsSchema, print: printSchema, texture: textureSchema },
  'size',
);
export type ExportSize =
  | Immutable<InferType<typeof densitySchema>>
  | Immutable<InferType<typeof pixelsSchema>>
  | Immutable<InferType<typeof printSchema>>
  | Immutable<InferType<typeof textureSchema>>;
export type ExportSizeKind = ExportSize['kind'];

/** Pixels per millimetre of the cloth that a size asks for. */
export interface WishedScale {
  readonly x: number;
  readonly y: number;
  /** To be written into the file, dots per inch, where the size names it. */
  readonly dpi?: number;
}

type Wish<S extends ExportSize> = (size: S, repeat: Repeat, width: number) => WishedScale;

const SIZES: { readonly [K in ExportSizeKind]: Wish<Extract<ExportSize, { kind: K }>> } = {
  density: ({ dpi }) => ({ ...even(dpi / MM_PER_INCH), dpi }),
  pixels: (size, _repeat, width) => even(size.width / width),
  print: (size, _repeat, width) => ({ ...even((size.dpi / MM_PER_INCH) * (size.width / width)), dpi: size.dpi }),
  texture({ side }, repeat) {
    const tile = tileOf(repeat);
    const longer = Math.max(tile.width, tile.height);
    const powerOfTwo = (mm: number): number => 2 ** Math.max(0, Math.round(Math.log2((side * mm) / longer)));
    return { x: powerOfTwo(tile.width) / tile.width, y: powerOfTwo(tile.height) / tile.height };
  },
};

/** The scale that a size asks for. @param width of what goes into the file, mm */
export function wishedScale(size: ExportSize, repeat: Repeat, width: number): WishedScale {
  // Each kind's function takes sizes of that kind.
  return (SIZES[size.kind] as Wish<ExportSize>)(size, repeat, width);
}

function even(scale: number): { readonly x: number; readonly y: number } {
  return { x: scale, y: scale };
}
