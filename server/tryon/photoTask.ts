import type { KeptPhoto, MarkedFace } from '../../core/tryon/index.ts';

/** Reads a photograph for a product, made small enough to be painted again and again. */
export interface PhotoTask {
  readonly kind: 'photo';
  readonly name: string;
  /** Where it lies. */
  readonly file: string;
  readonly blobs: string;
}

/** Takes the light of a photograph from its marked faces, and makes pictures of their masks. */
export interface MarkedTask {
  readonly kind: 'marked';
  readonly photo: KeptPhoto;
  readonly faces: readonly MarkedFace[];
  readonly blobs: string;
}
