import type { Motif } from '../motif/index.ts';
import type { Design } from './design.ts';

/** A finished repeat as it was saved: the design and its motifs as they were then. */
export interface SwatchVersion {
  /** From 1 on. */
  readonly number: number;
  /** What is different about it, in the words of whoever saved it. */
  readonly note: string;
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
