import { object, string, type InferType } from 'yup';
import type { PixelGrid, Repeat } from '../lattice/index.ts';
import { tileOf } from '../lattice/index.ts';
import { between, type Immutable, taggedUnion, whole } from '../schema/index.ts';

export const MOST_REPEATS = 100;
export const LONGEST_CLOTH_MM = 20_000;

const tileSchema = object({ kind: string().oneOf(['tile']).required() })
  .noUnknown()
  .required();
const repeatsSchema = object({
  kind: string().oneOf(['repeats']).required(),
  columns: whole(1, MOST_REPEATS),
  rows: whole(1, MOST_REPEATS),
})
  .noUnknown()
  .required();
const cellSchema = object({ kind: string().oneOf(['cell']).required() })
  .noUnknown()
  .required();
const lengthSchema = object({
  kind: string().oneOf(['length']).required(),
  /** mm. */
  width: between(1, LONGEST_CLOTH_MM),
  height: between(1, LONGEST_CLOTH_MM),
})
  .noUnknown()
  .required();

/** Which part of the cloth goes into a file: its tile, so many tiles, one cell, or a piece of cloth of so many mm. */
export const extentSchema = taggedUnion(
  'kind',
  { tile: tileSchema, repeats: repeatsSchema, cell: cellSchema, length: lengthSchema },
  'extent',
);
export type Extent =
  | Immutable<InferType<typeof tileSchema>>
  | Immutable<InferType<typeof repeatsSchema>>
  | Immutable<InferType<typeof cellSchema>>
  | Immutable<InferType<typeof lengthSchema>>;
export type ExtentKind = Extent['kind'];

interface Measures {
  readonly width: number;
  readonly height: number;
}

interface Scale {
  readonly x: number;
  readonly y: number;
}

interface ExtentDefinition<E extends Extent> {
  /** mm. */
  measure(extent: E, repeat: Repeat): Measures;
  /** Whole pixels. @param scale wished pixels per mm, which the grid is the nearest to whose cells are whole */
  pixels(extent: E, repeat: Repeat, grid: PixelGrid, scale: Scale): Measures;
  /** Whether files of it laid side by side make the cloth again. */
  readonly tiles: boolean;
}

const EXTENTS: { readonly [K in ExtentKind]: ExtentDefinition<Extract<Extent, { kind: K }>> } = {
  tile: {
    measure: (_extent, repeat) => tileOf(repeat),
    pixels: (_extent, _repeat, { tile }) => tile,
    tiles: true,
  },
  repeats: {
    measure({ columns, rows }, repeat) {
      const { width, height } = tileOf(repeat);
      return { width: columns * width, height: rows * height };
    },
    pixels: ({ columns, rows }, _repeat, { tile }) => ({ width: columns * tile.width, height: rows * tile.height }),
    tiles: true,
  },
  cell: {
    measure: (_extent, repeat) => repeat,
    pixels: (_extent, repeat, { scaleX, scaleY }) => pixelsOf(repeat, { x: scaleX, y: scaleY }),
    tiles: false,
  },
  // A page is as large as it was asked for: a little more or less of the pattern is on it.
  length: {
    measure: (extent) => extent,
    pixels: (extent, _repeat, _grid, scale) => pixelsOf(extent, scale),
    tiles: false,
  },
};

function pixelsOf({ width, height }: Measures, { x, y }: Scale): Measures {
  return { width: Math.max(1, Math.round(width * x)), height: Math.max(1, Math.round(height * y)) };
}

// Each kind's definition takes extents of that kind.
const definitionOf = (extent: Extent): ExtentDefinition<Extent> => EXTENTS[extent.kind] as ExtentDefinition<Extent>;

/** How large an extent is on the cloth, mm. */
export function measureExtent(extent: Extent, repeat: Repeat): { readonly width: number; readonly height: number } {
  const { width, height } = definitionOf(extent).measure(extent, repeat);
  return { width, height };
}

/** How large it is on a grid, whole pixels. @param scale pixels per mm that were wished for */
export function extentPixels(
  extent: Extent,
  repeat: Repeat,
  grid: PixelGrid,
  scale: Scale,
): { readonly width: number; readonly height: number } {
  const { width, height } = definitionOf(extent).pixels(extent, repeat, grid, scale);
  return { width, height };
}

/** Whether files of an extent laid side by side make the cloth again. */
export function isTiling(extent: Extent): boolean {
  return definitionOf(extent).tiles;
}
