import type { PictureFrame } from '../../core/recipe/index.ts';

/** Looks whether what a frame shows of a picture repeats by itself. */
export interface SeamsTask {
  readonly kind: 'seams';
  readonly picture: string;
  readonly frame: PictureFrame;
  readonly blobs: string;
}
