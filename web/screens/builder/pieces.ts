import type { Hex } from '../../../core/colour/index.ts';
import type { Box, Point } from '../../../core/geometry/index.ts';
import { pathBounds } from '../../../core/motif/index.ts';
import {
  type CombineMode,
  type Fade,
  type FigureKind,
  type Fill,
  type Piece,
  type ShapeRecipe,
  stopsTo,
} from '../../../core/recipe/index.ts';
import { FIGURES, type Letterer, measured, outlinesOf } from '../../../core/shapes/index.ts';
import { TEXTS } from './texts.ts';

/** How pieces combine, in the words of the interface. */
export const MEETING_NAMES: Readonly<Record<CombineMode, string>> = {
  lay: TEXTS.laidOver,
  join: TEXTS.joinedTo,
  cut: TEXTS.cutOutOf,
  overlap: TEXTS.onlyWhereBothAre,
  exclude: TEXTS.onlyWhereOneIs,
};

/** A fade as it is first laid: downwards over the piece, to nothing. */
const acrossFade = (ink: Hex): Fade => ({ kind: 'across', angle: 90, stops: stopsTo(ink, 0) });

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
    fill: { ink, fade: 'fades' in FIGURES[figure] && FIGURES[figure].fades ? acrossFade(ink) : null },
    outline: null,
  };
}

/** The piece as another figure: whatever both have stays as it is. */
export function withFigure(piece: Piece, figure: FigureKind): Piece {
  const fresh = newPiece(figure, piece.fill?.ink ?? piece.outline?.ink ?? '#000000');
  return {
    ...piece,
    figure,
    values: measured(FIGURES[figure], piece.values),
    text: piece.text === '' ? fresh.text : piece.text,
  };
}

/** The fill in another ink: stops in the old one follow. */
export function withInk(fill: Fill, ink: Hex): Fill {
  const { fade } = fill;
  const stops = fade?.stops.map((stop) => (stop.ink === fill.ink ? { ...stop, ink } : stop));
  return { ink, fade: fade && stops ? { ...fade, stops } : null };
}

/** The recipe with one of its pieces changed. */
export function withPiece(recipe: ShapeRecipe, index: number, change: Partial<Piece>): ShapeRecipe {
  return { ...recipe, pieces: recipe.pieces.map((piece, i) => (i === index ? { ...piece, ...change } : piece)) };
}

/** The fade of a piece with what its handles are drawn by; undefined where it has none of its own. */
export function fadingOf(
  recipe: ShapeRecipe,
  index: number,
  letter: Letterer,
): { readonly fade: Fade; readonly box: Box; readonly place: Piece } | undefined {
  const place = recipe.pieces[index];
  const fade = place?.fill?.fade;
  const path = outlinesOf(recipe, letter).find(({ piece }) => piece === place)?.path;
  const box = path ? pathBounds(path) : undefined;
  return place && fade && box ? { fade, box, place } : undefined;
}

/** The recipe with another fade for a piece; its points to a hundredth of a millimetre. */
export function withFade(recipe: ShapeRecipe, index: number, fade: Fade): ShapeRecipe {
  const fill = recipe.pieces[index]?.fill;
  return fill ? withPiece(recipe, index, { fill: { ...fill, fade: rounded(fade) } }) : recipe;
}

function rounded(fade: Fade): Fade {
  const round = (n: number): number => Math.round(100 * n) / 100;
  const point = ({ x, y }: Point): Point => ({ x: round(x), y: round(y) });
  if (fade.kind === 'line') return { ...fade, from: point(fade.from), to: point(fade.to) };
  if (fade.kind === 'glow') return { ...fade, middle: point(fade.middle), radius: round(fade.radius) };
  return fade;
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
