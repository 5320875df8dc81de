import type { KeptPhoto, ProductDrawing } from '../../core/tryon/index.ts';
import type { OutlineProductOutcome, OutlineProductTask } from './outlineProductTask.ts';
import type { PhotoLightTask, PhotoTask } from './photoTask.ts';
import type { ProductTask } from './productTask.ts';
import type { TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** What the pool does for try-ons and products. */
export type AnyTryOnTask = ProductTask | OutlineProductTask | PhotoTask | PhotoLightTask | TryOnTask;

/** What each of them comes to. */
export interface TryOnOutcomes {
  product: ProductDrawing;
  'outline-product': OutlineProductOutcome;
  photo: KeptPhoto;
  /** The address of a picture. */
  'photo-light': string;
  'try-on': TryOnOutcome;
}
