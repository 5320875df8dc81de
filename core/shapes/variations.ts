import { seeded } from '../random/index.ts';
import type { Piece, ShapeRecipe } from '../recipe/index.ts';
import { measured } from './figure.ts';
import { FIGURES } from './figures.ts';

/** A measure is varied by at most this share of itself. */
const MOST = 0.45;

/**
 * Alternatives to a built motif: the same pieces with their measures varied within reason, sizes the least, so that
 * each could take its place.
 *
 * @param seed the same gives the same alternatives
 */
export function variations(recipe: ShapeRecipe, seed: number, count: number): ShapeRecipe[] {
  const random = seeded(seed);
  return Array.from({ length: count }, (_, i) => ({
    ...recipe,
    pieces: recipe.pieces.map((piece) => varied(piece, random, MOST * ((i + 1) / count) ** 0.5)),
  }));
}

function varied(piece: Piece, random: () => number, most: number): Piece {
  const figure = FIGURES[piece.figure];
  const values = measured(figure, piece.values);
  for (const { key, unit, least, most: top, whole, fixed } of figure.measures) {
    const by = (random() * 2 - 1) * most;
    if (key === 'seed') values[key] = 1 + Math.floor(random() * 9999);
    if (fixed) continue;
    const value = values[key] as number;
    // Lengths keep their own size; shares move within their whole range; counts by one or two at least.
    const next =
      unit === 'mm'
        ? value * (1 + by * 0.5)
        : unit === '%'
          ? value + (Math.min(top, 100) - Math.max(least, 0)) * by
          : value + Math.sign(by) * Math.max(1, Math.abs(value * by));
    const kept = Math.min(top, Math.max(least, next));
    values[key] = whole ? Math.round(kept) : Math.round(kept * 10) / 10;
  }
  return { ...piece, values };
}
