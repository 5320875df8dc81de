import type { Artwork } from '../../../core/motif/index.ts';
import type { CleanSteps, Levels } from '../../../core/recipe/index.ts';
import type { SheetDrawing } from '../../../core/scan/index.ts';

/** Asks the worker to clean the picture that it holds, or first to take another. */
export interface CleanOrder {
  readonly id: number;
  /** Where the picture is fetched from. */
  readonly url: string;
  /** Pixels of that picture to a millimetre of the sheet. */
  readonly perMm: number;
  readonly steps: CleanSteps;
  /** Only turned and straightened and not cropped, for a hand that levels or crops. */
  readonly straightOnly: boolean;
}

export interface CleanedPicture {
  readonly id: number;
  readonly image: ImageBitmap;
  /** The same part of the sheet before anything was lifted off. */
  readonly before: ImageBitmap;
  /** Lightness of the pixels that the levels work on, 256 counts. */
  readonly histogram: Uint32Array;
  readonly proposed: Levels;
  /** The sheet's drawings; empty where it is not cut. Boxes are pixels of the image. */
  readonly drawings: readonly SheetDrawing[];
  readonly tracing: Artwork | undefined;
  /** Milliseconds. */
  readonly took: number;
}

/** Asks for the tilt of the picture, by itself. */
export interface TiltOrder {
  readonly id: number;
  readonly url: string;
  readonly findTilt: true;
  readonly quarters: CleanSteps['quarters'];
}

export type CleanAnswer =
  CleanedPicture | { readonly id: number; readonly tilt: number } | { readonly id: number; readonly failed: string };
