import { type Command, type Design, type Placement, withInks } from '../document/index.ts';
import { UPRIGHT } from '../geometry/index.ts';
import type { Motif } from '../motif/index.ts';
import type { TossRecipe } from '../recipe/index.ts';
import type { TossedMotif } from './tossTypes.ts';

/** What of a design a toss may lay anew: what it laid before and nobody has pinned. */
export function tossedIdsOf({ toss, placements }: Design): Set<string> {
  const laid = new Set(toss?.laid);
  return new Set(placements.filter(({ id }) => laid.has(id)).map(({ id }) => id));
}

/** Placements of what was tossed. @param idOf the id of the nth */
export function tossedPlacements(
  laid: readonly TossedMotif[],
  layer: string,
  idOf: (n: number) => string,
): Placement[] {
  return laid.map((tossed, n): Placement => ({
    ...UPRIGHT,
    ...tossed,
    id: idOf(n),
    layer,
    opacity: 1,
    blend: 'normal',
  }));
}

/**
 * The command that lays a toss in the stead of what the one before laid, and keeps its recipe with the design.
 *
 * @param keep leaves that lying, as when holes are filled
 */
export function applyToss(
  design: Design,
  motifs: ReadonlyMap<string, Motif>,
  recipe: TossRecipe,
  placements: readonly Placement[],
  keep = false,
): Command {
  const before = tossedIdsOf(design);
  const gone = keep ? [] : [...before];
  const first = design.placements.length - gone.length;
  const commands: Command[] = [];
  if (gone.length > 0) commands.push({ type: 'remove', ids: gone });
  if (placements.length > 0) {
    const used = [...new Set(placements.map(({ motif }) => motif))].flatMap((id) => motifs.get(id) ?? []);
    commands.push(
      withInks(design, used, {
        type: 'insert',
        placements: placements.map((placement, n) => ({ index: first + n, placement })),
      }),
    );
  }
  const laid = [...(keep ? before : []), ...placements.map(({ id }) => id)];
  return { type: 'all', commands: [...commands, { type: 'toss', toss: { recipe, laid } }] };
}

/** The command that pins placements: no toss moves them any more. */
export function pin(design: Design, ids: readonly string[]): Command | undefined {
  const { toss } = design;
  const pinned = new Set(ids);
  return toss?.laid.some((id) => pinned.has(id))
    ? { type: 'toss', toss: { ...toss, laid: toss.laid.filter((id) => !pinned.has(id)) } }
    : undefined;
}
