import type { ClothView } from './clothView.ts';
import type { PointerController } from './pointerController.ts';

/** The living parts of the cloth on screen, for whoever shows things about it. */
export interface ClothParts {
  readonly view: ClothView;
  readonly controller: PointerController;
}
