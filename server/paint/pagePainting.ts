import type { ExportPlan } from '../../core/export/index.ts';
import { type CanvasBackend, type Scene, SpriteCache } from '../../core/paint/index.ts';

/** Of motifs that were painted, so many pixels are kept for the bands that follow. */
const MOST_SPRITE_PIXELS = 1 << 24;
/** A cell of at most so many pixels is painted once and laid from then on. */
const MOST_KEPT = 1 << 26;

/** What is painted. */
export interface PagePainting {
  readonly scene: Scene;
  readonly backend: CanvasBackend;
  /** Of the pictures in its motifs. */
  readonly picturePixels: number;
  readonly plan: ExportPlan;
  /** With or without alpha. */
  readonly channels: 3 | 4;
  /** Bits a channel. */
  readonly depth: 8 | 16;
}

/** Bytes of a pixel. */
export function bytesOf({ channels, depth }: PagePainting): number {
  return channels * (depth / 8);
}

/** Whether a cell is so small that its motifs are kept once they are painted. */
export function isSmallCell({ plan: { grid } }: PagePainting): boolean {
  return grid.cell.width * grid.cell.height <= MOST_KEPT;
}

/** Where painted motifs are kept, if they are small enough. */
export function spritesFor(painting: PagePainting): SpriteCache | undefined {
  return isSmallCell(painting) ? new SpriteCache(painting.backend, MOST_SPRITE_PIXELS) : undefined;
}
