import type { KeptPhoto, MarkedPictures, ProductDrawing } from '../../core/tryon/index.ts';
import type { OutlineProductOutcome, OutlineProductTask } from './outlineProductTask.ts';
import type { MarkedTask, PhotoTask } from './photoTask.ts';
import type { ProductTask } from './productTask.ts';
import type { TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** What the pool does for try-ons and products. */
export type AnyTryOnTask = ProductTask | OutlineProductTask | PhotoTask | MarkedTask | TryOnTask;

/** What each of them comes to. */
export interface TryOnOutcomes {
  product: ProductDrawing;
  'outline-product': OutlineProductOutcome;
  photo: KeptPhoto;
  marked: MarkedPictures;
  'try-on': TryOnOutcome;
}
