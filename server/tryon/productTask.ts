/** Reads the drawing of a product. */
export interface ProductTask {
  readonly kind: 'product';
  readonly name: string;
  readonly svg: string;
  /** The ids of its pieces. */
  readonly pieces: readonly string[];
  readonly blobs: string;
}
