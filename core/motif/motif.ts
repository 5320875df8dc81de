import type { Hex } from '../colour/index.ts';
import type { Recipe } from '../recipe/index.ts';
import type { View } from './artwork.ts';

/** One piece of artwork in the studio's drawer. Designs hold its id, so what changes here changes everywhere. */
export interface Motif {
  readonly id: string;
  readonly name: string;
  readonly collection: string;
  /** Natural width in mm; the height follows from the artwork's proportions. */
  readonly width: number;
  /** Content address of the artwork's JSON. */
  readonly artwork: string;
  /** Extent of the artwork in its own units. */
  readonly view: View;
  readonly inks: readonly Hex[];
  /** Content address of the file it was made from; of its first artwork where it was made here. */
  readonly source: string;
  /** How its artwork is made; null where it is simply what the file holds. */
  readonly recipe: Recipe | null;
}

/** Natural height in mm. */
export function naturalHeight({ width, view }: Pick<Motif, 'width' | 'view'>): number {
  return (width * view.height) / view.width;
}
