import type { TRY_ON_FORMATS } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
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

/** Paints a try-on into a file. */
export interface TryOnTask {
  readonly kind: 'try-on';
  readonly tryOn: TryOn;
  readonly product: Product;
  readonly drawing: ProductDrawing;
  /** Those that are there; cloth of a pattern that is missing stays white. */
  readonly patterns: readonly TaskPattern[];
  readonly format: (typeof TRY_ON_FORMATS)[number];
  /** Of the longer side, px. */
  readonly side: number;
  readonly blobs: string;
  readonly file: string;
}

export interface TryOnOutcome {
  readonly width: number;
  readonly height: number;
}
