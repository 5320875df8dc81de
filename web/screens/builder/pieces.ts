import type { Hex } from '../../../core/colour/index.ts';
import type { CombineMode, FigureKind, Piece, ShapeRecipe } from '../../../core/recipe/index.ts';
import { FIGURES, measured } from '../../../core/shapes/index.ts';
import { TEXTS } from './texts.ts';

/** How pieces combine, in the words of the interface. */
export const MEETING_NAMES: Readonly<Record<CombineMode, string>> = {
  lay: TEXTS.laidOver,
  join: TEXTS.joinedTo,
  cut: TEXTS.cutOutOf,
  overlap: TEXTS.onlyWhereBothAre,
  exclude: TEXTS.onlyWhereOneIs,
};

/** A piece as it is first laid down. */
export function newPiece(figure: FigureKind, ink: Hex): Piece {
  return {
    figure,
    values: measured(FIGURES[figure], {}),
    text: figure === 'lettering' ? TEXTS.lowTide : '',
    font: 'logbook',
    x: 0,
    y: 0,
    rotation: 0,
    combine: 'lay',
    fill: { ink, fade: 'fades' in FIGURES[figure] && FIGURES[figure].fades ? { angle: 90, rest: 0 } : null },
    outline: null,
  };
}

/** The recipe with one of its pieces changed. */
export function withPiece(recipe: ShapeRecipe, index: number, change: Partial<Piece>): ShapeRecipe {
  return { ...recipe, pieces: recipe.pieces.map((piece, i) => (i === index ? { ...piece, ...change } : piece)) };
}

/** The recipe with a piece one place higher or lower, where there is such a place. */
export function withMoved(recipe: ShapeRecipe, index: number, by: 1 | -1): ShapeRecipe {
  const pieces = [...recipe.pieces];
  const [piece] = pieces.splice(index, 1);
  const to = index + by;
  if (!piece || to < 0 || to > pieces.length) return recipe;
  pieces.splice(to, 0, piece);
  return { ...recipe, pieces };
}

export function withoutPiece(recipe: ShapeRecipe, index: number): ShapeRecipe {
  return { ...recipe, pieces: recipe.pieces.filter((_, i) => i !== index) };
}

/** Whether a piece takes its fill and outline from the one that its outline begins with. */
export function takesAfterOther({ pieces }: ShapeRecipe, index: number): boolean {
  return index > 0 && pieces[index]?.combine !== 'lay';
}
