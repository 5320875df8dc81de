import { type Command, type Design, type Placement, withInks } from '../document/index.ts';
import { isWithinLimits } from '../geometry/index.ts';
import { LARGEST_CELL_MM, latticeOf, proportionOf, SMALLEST_CELL_MM, step } from '../lattice/index.ts';
import type { Motif } from '../motif/index.ts';
import type { LayoutRecipe } from '../recipe/index.ts';
import { layGrid } from './layGrid.ts';
import { layRows } from './layRow.ts';

/** Thrown where a recipe cannot be laid; the message is a sentence. */
export class LayoutError extends Error {}

/**
 * The command that lays a design out by a recipe, in the stead of what the one before laid; a row gives the cell its size too.
 * What it laid before keeps its ids in their order.
 *
 * @param layer where it is laid the first time: a row on top, a grid at the bottom
 * @throws LayoutError
 */
export function applyLayout(
  design: Design,
  motifs: ReadonlyMap<string, Motif>,
  recipe: LayoutRecipe,
  layer: string,
  newId: () => string,
): Command {
  const { repeat, layout } = design;
  const lost = 'A motif of this layout is no longer in the drawer. Nothing was changed; remove it from the layout.';
  const commands: Command[] = [];
  let placed: ReturnType<typeof layGrid>;
  if (recipe.kind === 'row') {
    const laid = layRows(recipe, motifs);
    if (!laid) throw new LayoutError(lost);
    const { width, height } = laid;
    if (Math.min(width, height) < SMALLEST_CELL_MM || Math.max(width, height) > LARGEST_CELL_MM) {
      throw new LayoutError(
        `A cell of this row would be ${Math.round(width)} × ${Math.round(height)} mm, and cells are ${SMALLEST_CELL_MM} to ${LARGEST_CELL_MM} mm. Nothing was changed.`,
      );
    }
    // Proportions that a step asks for and a module cannot be kept by a cell that is one row and one gap.
    const { kind, drop } = repeat.step;
    commands.push({
      type: 'repeat',
      repeat: {
        width,
        height,
        step: proportionOf(repeat.step) === undefined ? repeat.step : step(kind, drop.p, drop.q),
      },
    });
    placed = laid.placed;
  } else {
    const motif = motifs.get(recipe.motif);
    if (!motif) throw new LayoutError(lost);
    if (repeat.step.mirrored || repeat.step.rotated)
      throw new LayoutError(
        'A grid cannot close where neighbouring cells are mirrored or rotated. Nothing was changed; set neighbouring cells to “As they are” first.',
      );
    placed = layGrid(latticeOf(repeat), recipe, motif);
  }
  if (!placed.every(isWithinLimits))
    throw new LayoutError(
      'That would make a motif smaller, larger or more skewed than allowed. Nothing was changed; use a smaller change.',
    );
  const before = new Set(layout?.laid);
  const gone = design.placements.filter(({ id }) => before.has(id));
  if (gone.length > 0) commands.push({ type: 'remove', ids: gone.map(({ id }) => id) });
  const first = gone[0];
  const isAtBottom = recipe.kind === 'grid';
  const index = first ? design.placements.indexOf(first) : isAtBottom ? 0 : design.placements.length;
  const placements = placed.map((one, n): Placement => ({
    ...one,
    id: gone[n]?.id ?? newId(),
    layer: first?.layer ?? layer,
    opacity: first?.opacity ?? 1,
    blend: first?.blend ?? 'normal',
  }));
  const used = [...new Set(placements.map(({ motif }) => motif))].flatMap((id) => motifs.get(id) ?? []);
  commands.push(
    withInks(design, used, {
      type: 'insert',
      placements: placements.map((placement, n) => ({ index: index + n, placement })),
    }),
  );
  commands.push({ type: 'layout', layout: { recipe, laid: placements.map(({ id }) => id) } });
  return { type: 'all', commands };
}
