import { withBase } from '../../core/colourway/index.ts';
import type { Design } from '../../core/document/index.ts';
import { remembered } from './remembered.ts';
import { withoutPlacement } from './withoutPlacement.ts';

/** A design as a cloth shows it. Every frame asks, and most for the same. */
export class ShownDesign {
  /** The base where missing. */
  colourway: string | undefined;
  /** A placement that is drawn on by hand, and so is seen elsewhere. */
  hidden: string | undefined;
  readonly #inColourway = remembered(withBase);
  readonly #without = remembered(withoutPlacement);

  of(design: Design): Design {
    return this.#without(this.#inColourway(design, this.colourway), this.hidden);
  }
}
