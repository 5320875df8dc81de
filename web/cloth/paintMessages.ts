import type { Design } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { ClothPlan } from '../../core/paint/index.ts';

/** What is to be painted. */
export interface PaintWish {
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly plan: ClothPlan;
  /** Whole pixels of the plane to paint; of a window plan only. */
  readonly window: Box | undefined;
  /** Placements that are being moved: what lies below and above them is painted apart, and they are not. */
  readonly moving: readonly string[];
}

/** What the page asks the paint worker for. */
export interface PaintOrder extends PaintWish {
  readonly id: number;
}

/** A sprite that was painted off the page, and the key that it is kept under. */
export interface PaintedSprite {
  readonly key: string;
  readonly image: ImageBitmap;
}

/** What comes back: one image, or one for below and one for above what moves. */
export interface Painted {
  readonly below: ImageBitmap;
  readonly above: ImageBitmap | undefined;
  /** Of what moves, where it is much. */
  readonly sprites: readonly PaintedSprite[];
  /** Painting time in ms, for the benchmarks. */
  readonly took: number;
}

/** What the worker does. */
export interface PaintService {
  paint(order: PaintOrder): Promise<Painted>;
}
