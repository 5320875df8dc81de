import { own } from '../schema/index.ts';
import { type Recipe, recipeSchema } from './recipe.ts';

/** The names that fields of parts and pieces had before they were those of a pose. */
const RENAMED: Readonly<Record<string, string>> = {
  turn: 'rotation',
  stretch: 'aspect',
  mirrored: 'flipped',
  meeting: 'combine',
};

/** A list of parts or pieces as it is written today. Parts were neither stretched nor skewed at first. */
function renamed(list: unknown, added: object): unknown {
  if (!Array.isArray(list)) return list;
  return list.map((item: unknown) => ({
    ...added,
    ...Object.fromEntries(
      Object.entries(Object(item) as object).map(([key, value]) => [own(RENAMED, key) ?? key, value]),
    ),
  }));
}

/** Pieces whose fades have stops: at first a fade ran from the full ink to a rest of it. */
function withStops(pieces: unknown): unknown {
  if (!Array.isArray(pieces)) return pieces;
  return pieces.map((piece: { readonly fill?: unknown }) => {
    const fill = Object(piece.fill) as { readonly ink?: unknown; readonly fade?: unknown };
    const { angle, rest } = Object(fill.fade) as { readonly angle?: unknown; readonly rest?: unknown };
    if (rest === undefined) return piece;
    const stops = [
      { offset: 0, ink: fill.ink, opacity: 1 },
      { offset: 1, ink: fill.ink, opacity: rest },
    ];
    return { ...piece, fill: { ...fill, fade: { kind: 'across', angle, stops } } };
  });
}

/**
 * Reads a recipe of this or any earlier version.
 *
 * @throws ValidationError where it is none
 */
export function openRecipe(recipe: unknown): Recipe {
  const current: Record<string, unknown> = { ...Object(recipe) };
  if ('parts' in current) current['parts'] = renamed(current['parts'], { aspect: 1, skew: 0 });
  if ('pieces' in current) current['pieces'] = withStops(renamed(current['pieces'], {}));
  return recipeSchema.validateSync(current, { strict: true });
}
