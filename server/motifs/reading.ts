import type { Artwork } from '../../core/motif/index.ts';

/** What a reader makes of a file: artwork over the file's whole extent. */
export interface Reading {
  readonly artwork: Artwork;
  /** Width in mm that the file gives its whole extent, or undefined. */
  readonly widthMm: number | undefined;
  readonly notes: readonly string[];
}
