import type { MaskStep } from '../../../core/tryon/index.ts';

/** A picture of what a mask hides: white, RGBA, as opaque as it is hidden. */
export interface HiddenPicture {
  readonly width: number;
  readonly height: number;
  /** Its pixels to one of the photograph as it is kept. */
  readonly scale: number;
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** What a worker that shows masks is asked. */
export interface MaskService {
  /** Reads a photograph; its size in pixels as it is kept. */
  open(url: string, size: { readonly width: number; readonly height: number }): Promise<void>;
  /**
   * @param kept so many of the steps that were told last are still there
   * @param added those that come after them
   * @param stroke one that is still under the hand
   */
  hidden(kept: number, added: readonly MaskStep[], stroke: MaskStep | undefined): HiddenPicture;
}
