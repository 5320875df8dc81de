import type { Hex } from '../../core/colour/index.ts';
import type { SheetPage } from '../../core/sheet/index.ts';

/** One painted swatch and what is written under it. */
export interface SheetPicture {
  /** The PNG. */
  readonly cloth: string;
  readonly name: string;
  /** Its repeat, and the scale that it is shown at. */
  readonly size: string;
  readonly colours: readonly Hex[];
}

/** Sets painted swatches on sheets of paper, and writes them into one file. */
export interface SheetTask {
  readonly kind: 'sheet';
  readonly title: string;
  readonly format: 'pdf' | 'png';
  readonly pages: readonly SheetPage[];
  /** By the index of their places. */
  readonly pictures: readonly SheetPicture[];
  /** Where the file goes. */
  readonly file: string;
}
