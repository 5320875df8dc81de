/** Finds the pictures that artworks hold, by their addresses. */
export interface PicturesTask {
  readonly kind: 'pictures';
  readonly artworks: readonly string[];
  readonly blobs: string;
}
