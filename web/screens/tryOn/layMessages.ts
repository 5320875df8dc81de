import type { Design } from '../../../core/document/index.ts';
import type { Box } from '../../../core/geometry/index.ts';
import type { Repeat } from '../../../core/lattice/index.ts';
import type { Motif } from '../../../core/motif/index.ts';
import type { LayPlan, LayWish, PieceMask, Product, ProductDrawing, TryOn } from '../../../core/tryon/index.ts';

/** A plan with the outlines that it is drawn by. */
export interface LaidOut {
  readonly plan: LayPlan;
  readonly masks: readonly PieceMask[];
  /** Tries so far, and of how many. */
  readonly tries: number;
}

/** How pieces are laid, but for what is printed on the cloth. */
export type PlainWish = Omit<LayWish, 'printed'>;

/** The pattern that the pieces keep as it lies on them. */
export interface KeptPattern {
  readonly tryOn: TryOn;
  readonly repeat: Repeat;
}

/** A part of a pattern as a picture, mm of the pattern. */
interface ClothPicture extends Box {
  readonly blob: Blob;
}

/** What the worker does; it is stopped by ending it. */
export interface LayService {
  layOut(
    product: Product,
    drawing: ProductDrawing,
    wish: PlainWish,
    kept: KeptPattern | undefined,
    tries: number,
    onBetter: (laid: LaidOut) => void,
  ): Promise<LaidOut>;
  /** @param density pixels to a mm */
  paint(design: Design, motifs: readonly Motif[], part: Box, density: number): Promise<ClothPicture>;
}
