import type { LayPlan, LayWish, PieceMask, Product, ProductDrawing } from '../../../core/tryon/index.ts';

/** A plan with the outlines that it is drawn by. */
export interface LaidOut {
  readonly plan: LayPlan;
  readonly masks: readonly PieceMask[];
  /** Tries so far, and of how many. */
  readonly tries: number;
}

/** What the worker does; it is stopped by ending it. */
export interface LayService {
  layOut(
    product: Product,
    drawing: ProductDrawing,
    wish: LayWish,
    tries: number,
    onBetter: (laid: LaidOut) => void,
  ): Promise<LaidOut>;
}
