import type { ShapeRecipe } from '../../../core/recipe/index.ts';
import { cutText } from '../../../core/schema/index.ts';
import { FIGURES } from '../../../core/shapes/index.ts';

/** What a motif is called that nobody has named: its words where there are some, else its first figure. At most 120 letters. */
export function nameOfShape({ pieces }: ShapeRecipe): string {
  const words = pieces.flatMap(({ figure, text }) => (figure === 'lettering' ? text.trim() : [])).find(Boolean);
  return words ? cutText(words.replace(/\s+/g, ' '), 120) : FIGURES[pieces[0]?.figure ?? 'petals'].name;
}
