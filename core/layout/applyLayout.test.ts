import { describe, expect, it } from 'vitest';
import { apply, type Design, inverse, newDesign, openDesign } from '../document/index.ts';
import { SQUARE, step } from '../lattice/index.ts';
import type { RowRecipe } from '../recipe/index.ts';
import { leafAt } from '../testing/arbitraries.ts';
import { applyLayout, LayoutError } from './applyLayout.ts';
import { MOTIFS } from '../testing/layoutFixtures.ts';

describe('a layout on the cloth', () => {
  let n = 0;
  const newId = (): string => `new${(n += 1)}`;
  const start: Design = {
    ...newDesign('d', 'Rows', { width: 100, height: 100, step: step('brick') }),
    placements: [leafAt('hand', { x: 5 })],
  };
  const recipe: RowRecipe = {
    kind: 'row',
    rows: [['tall', 'wide', 'square']],
    equal: 'height',
    size: 40,
    gap: 10,
    rowGap: 8,
  };

  it('is laid, follows its recipe, keeps ids and what was laid by hand, and is undone to the bit', () => {
    const first = applyLayout(start, MOTIFS, recipe, 'main', newId);
    const once = apply(start, first);
    expect(once.repeat).toMatchObject({ width: 16 + 160 + 40 + 30, height: 48, step: start.repeat.step });
    expect(once.placements[0]?.id).toBe('hand');
    expect(apply(once, inverse(start, first))).toEqual(start);
    const again = applyLayout(once, MOTIFS, { ...recipe, rows: [['square', 'tall']], gap: 4 }, 'main', newId);
    const twice = apply(once, again);
    expect(twice.placements.slice(1).map(({ id, motif }) => [id, motif])).toEqual([
      [once.placements[1]?.id, 'square'],
      [once.placements[2]?.id, 'tall'],
    ]);
    expect(twice.repeat.width).toBeCloseTo(40 + 16 + 8, 9);
    expect(apply(twice, inverse(once, again))).toEqual(once);
    expect(openDesign(JSON.parse(JSON.stringify(twice)))).toEqual(twice);
    const grid = apply(
      twice,
      applyLayout(
        twice,
        MOTIFS,
        { kind: 'grid', figure: 'dots', motif: 'square', fitted: true, count: 4, angle: 0, size: 0.5 },
        'main',
        newId,
      ),
    );
    expect(grid.repeat).toEqual(twice.repeat);
    expect(grid.placements).toHaveLength(5);
  });

  it('says why it cannot be, and changes nothing', () => {
    expect(() => applyLayout(start, MOTIFS, { ...recipe, rows: [['gone']] }, 'main', newId)).toThrow(LayoutError);
    expect(() => applyLayout(start, MOTIFS, { ...recipe, size: 4000 }, 'main', newId)).toThrow(/cells are/);
    const mirrored: Design = { ...start, repeat: { ...start.repeat, step: { ...SQUARE, mirrored: 'both' } } };
    expect(() =>
      applyLayout(
        mirrored,
        MOTIFS,
        { kind: 'grid', figure: 'checks', motif: 'square', fitted: true, count: 4, angle: 0, size: 0.5 },
        'main',
        newId,
      ),
    ).toThrow(/mirrored/);
  });
});
