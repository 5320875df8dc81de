import { describe, expect, it } from 'vitest';
import { FIGURE_KINDS, recipeSchema } from '../../../core/recipe/index.ts';
import { newPiece, takesAfterOther, withMoved, withoutPiece, withPiece } from './pieces.ts';

const recipe = {
  kind: 'shape' as const,
  pieces: [newPiece('petals', '#b3402e'), newPiece('leaf', '#3e7a5e'), newPiece('dot', '#1f2430')],
};
const names = (one: typeof recipe): string[] => one.pieces.map(({ figure }) => figure);

describe('the pieces of a built motif', () => {
  it('begin as something that the studio takes, whichever the figure', () => {
    for (const figure of FIGURE_KINDS)
      expect(
        recipeSchema.isValidSync({ kind: 'shape', pieces: [newPiece(figure, '#b3402e')] }, { strict: true }),
        figure,
      ).toBe(true);
    expect(newPiece('blade', '#3e7a5e').fill?.fade).toEqual({
      kind: 'across',
      angle: 90,
      stops: [
        { offset: 0, ink: '#3e7a5e', opacity: 1 },
        { offset: 1, ink: '#3e7a5e', opacity: 0 },
      ],
    });
    expect(newPiece('dot', '#3e7a5e').fill?.fade).toBeNull();
  });

  it('change, move by one and go, each without the others', () => {
    expect(withPiece(recipe, 1, { x: 4 }).pieces.map(({ x }) => x)).toEqual([0, 4, 0]);
    expect(names(withMoved(recipe, 0, 1) as typeof recipe)).toEqual(['leaf', 'petals', 'dot']);
    expect(withMoved(recipe, 0, -1)).toBe(recipe);
    expect(withMoved(recipe, 2, 1)).toBe(recipe);
    expect(names(withoutPiece(recipe, 1) as typeof recipe)).toEqual(['petals', 'dot']);
  });

  it('take after the one they meet, but for the first', () => {
    const met = withPiece(withPiece(recipe, 0, { combine: 'cut' }), 1, { combine: 'join' });
    expect([0, 1, 2].map((n) => takesAfterOther(met, n))).toEqual([false, true, false]);
  });
});
