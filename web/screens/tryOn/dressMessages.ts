import type { Design } from '../../../core/document/index.ts';
import type { Motif } from '../../../core/motif/index.ts';
import type { PieceMap, Product, ProductDrawing, TryOn } from '../../../core/tryon/index.ts';

/** What is to be shown. */
export interface DressWish {
  readonly tryOn: TryOn;
  /** Of the picture's longer side, px. */
  readonly side: number;
  /** Whether what was painted before may serve, however coarse, because the hand is moving. */
  readonly isQuick: boolean;
  /** Which part of the picture's rows, from 0 on, of how many parts. */
  readonly part: number;
  readonly parts: number;
}

/** A picture, or a part of one. */
export interface Dressed {
  readonly width: number;
  readonly height: number;
  /** RGBA. */
  readonly pixels: Uint8ClampedArray<ArrayBuffer>;
  /** ms that it took, for the benchmarks. */
  readonly took: number;
}

/** What the worker does. What it was given stays with it until it is given anew. */
export interface DressService {
  setProduct(product: Product, drawing: ProductDrawing): Promise<void>;
  setPattern(key: string, state: string, pattern: { readonly design: Design; readonly motifs: readonly Motif[] }): void;
  dress(wish: DressWish): Promise<Dressed>;
  /** Which piece is seen where, on a small picture. */
  mapPieces(product: string): PieceMap;
}
