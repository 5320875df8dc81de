import type { PixelImage } from '../../core/scan/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';

/** A picture of something that has a true size. */
export interface FlatPicture {
  readonly pixels: PixelImage;
  /** mm. */
  readonly width: number;
}

/** Vectors are drawn as fine as cloth is printed, */
const DPI = 300;
/** small ones finer, so that there is something to work on, */
const LEAST_SIDE = 600;
/** and large ones as fine as a picture can be that the workshop handles well. */
const MOST_PIXELS = 24e6;

/** Whole pixels for something of so many mm; its sides change by less than half a pixel. */
export function flatSize(width: number, height: number): readonly [number, number] {
  const dense = Math.max(DPI / MM_PER_INCH, LEAST_SIDE / Math.max(width, height));
  const perMm = Math.min(dense, Math.sqrt(MOST_PIXELS / (width * height)));
  return [Math.max(1, Math.round(width * perMm)), Math.max(1, Math.round(height * perMm))];
}
