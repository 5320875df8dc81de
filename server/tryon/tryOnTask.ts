import type { TRY_ON_PICTURES } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { CutWish } from '../../core/sheet/index.ts';
import type { Product, ProductDrawing, TryOn } from '../../core/tryon/index.ts';

/** A pattern with all that is needed to paint it. */
export interface TaskPattern {
  /** Its source, as `sourceKey` writes it. */
  readonly key: string;
  /** The same text as long as nothing about it changes. */
  readonly state: string;
  readonly design: Design;
  readonly motifs: readonly Motif[];
}

/** A picture. */
export interface PictureWish {
  readonly format: (typeof TRY_ON_PICTURES)[number];
  /** Of the longer side, px. */
  readonly side: number;
}

/** What lies flat as shapes, or on sheets of paper. */
export type FlatWish = { readonly format: 'svg' } | { readonly format: 'pdf'; readonly sheet: CutWish };

/** Writes a try-on into a file. */
export interface TryOnTask<Wish = PictureWish | FlatWish> {
  readonly kind: 'try-on';
  readonly wish: Wish;
  readonly tryOn: TryOn;
  readonly product: Product;
  readonly drawing: ProductDrawing;
  /** Those that are there; cloth of a pattern that is missing stays white. */
  readonly patterns: readonly TaskPattern[];
  readonly blobs: string;
  readonly file: string;
}

export interface TryOnOutcome {
  /** Pixels of a picture, units of a drawing, or mm of paper. */
  readonly width: number;
  readonly height: number;
  /** Of a PDF. */
  readonly sheets?: number;
}
