/** What a picture's format can hold. */
export interface RasterFormat {
  readonly name: string;
  /** Of its files, without the dot. */
  readonly extension: string;
  readonly mime: string;
  /** Longest side in pixels. */
  readonly longestSide: number;
  /** Of what its encoder holds in memory at once, at the most. */
  readonly mostMegapixels: number;
  /** Whether it can be transparent. */
  readonly alpha: boolean;
  /** Whether it gives back every pixel as it was. */
  readonly exact: boolean;
}

export const RASTER_FORMATS = {
  png: {
    name: 'PNG',
    extension: 'png',
    mime: 'image/png',
    longestSide: 2 ** 31 - 1,
    mostMegapixels: 400,
    alpha: true,
    exact: true,
  },
  tiff: {
    name: 'TIFF',
    extension: 'tif',
    mime: 'image/tiff',
    longestSide: 2 ** 31 - 1,
    mostMegapixels: 400,
    alpha: true,
    exact: true,
  },
  jpeg: {
    name: 'JPEG',
    extension: 'jpg',
    mime: 'image/jpeg',
    longestSide: 65_500,
    mostMegapixels: 400,
    alpha: false,
    exact: false,
  },
  webp: {
    name: 'WebP',
    extension: 'webp',
    mime: 'image/webp',
    longestSide: 16_383,
    mostMegapixels: 60,
    alpha: true,
    exact: true,
  },
} as const satisfies Record<string, RasterFormat>;

export type RasterFormatName = keyof typeof RASTER_FORMATS;
// What a record's keys are is known from its literal.
export const RASTER_FORMAT_NAMES = Object.keys(RASTER_FORMATS) as RasterFormatName[];
