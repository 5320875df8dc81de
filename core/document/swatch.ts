import type { Motif } from '../motif/index.ts';
import type { Design } from './design.ts';

/** A finished repeat under a name: the design and its motifs as they were when it was saved. */
export interface Swatch {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  /** The design it came from, and that design's revision then. */
  readonly designId: string;
  readonly revision: number;
  readonly design: Design;
  readonly motifs: readonly Motif[];
  /** Content addresses of the rendered tile and of a small picture of it. */
  readonly tile: string;
  readonly thumbnail: string;
  readonly tileWidth: number;
  readonly tileHeight: number;
}
