/** A picture in memory: RGBA, one byte each, not premultiplied, row after row. */
export interface PixelImage {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}

/** A transparent picture of so many pixels. */
export function blankPixels(width: number, height: number): PixelImage {
  return { width, height, data: new Uint8ClampedArray(width * height * 4) };
}

/** The same pixels in memory of their own. */
export function copyPixels({ width, height, data }: PixelImage): PixelImage {
  return { width, height, data: data.slice() };
}

/** Rec. 709 lightness of the stored values, 0 to 255. */
export function lightness(data: Uint8ClampedArray, at: number): number {
  return 0.2126 * (data[at] as number) + 0.7152 * (data[at + 1] as number) + 0.0722 * (data[at + 2] as number);
}
