import type { Product } from '../../core/tryon/index.ts';

/** Makes a product of the closed shapes of an artwork. */
export interface OutlineProductTask {
  readonly kind: 'outline-product';
  readonly id: string;
  readonly name: string;
  /** What it is made of, as it is called in a sentence. */
  readonly what: string;
  /** The address of the artwork, and the width of what is drawn, mm. */
  readonly artwork: string;
  readonly width: number;
  readonly blobs: string;
}

export interface OutlineProductOutcome {
  readonly product: Product;
  /** The address of its drawing. */
  readonly drawing: string;
}
