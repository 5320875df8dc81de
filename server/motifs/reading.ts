import type { Artwork } from '../../core/motif/index.ts';
import type { ReplacedFont } from '../../core/svg/index.ts';

/** What a reader makes of a file: artwork over the file's whole extent. */
export interface Reading {
  readonly artwork: Artwork;
  /** Width in mm that the file gives its whole extent, or undefined. */
  readonly widthMm: number | undefined;
  /** Short sentences about what is not as it was in the file. */
  readonly notes: readonly string[];
  /** Fonts that are not there, which others stand in for. */
  readonly fonts: readonly ReplacedFont[];
}
