import type { Command, Design, Placement } from '../document/index.ts';

/** The command that brings placements to the front or the back of their layers, in the order they have among themselves. */
export function restack(design: Design, ids: readonly string[], to: 'front' | 'back'): Command {
  return restackAt(design, ids, to === 'back' ? 0 : design.placements.length - ids.length);
}

/** The command that brings placements to the top of a layer. */
export function moveIntoLayer(design: Design, ids: readonly string[], layer: string): Command {
  return restackAt(design, ids, design.placements.length - ids.length, layer);
}

/** The command that lays placements directly over or under another, in its layer; undefined where that is one of them. */
export function moveBeside(
  design: Design,
  ids: readonly string[],
  other: string,
  where: 'over' | 'under',
): Command | undefined {
  if (ids.includes(other)) return undefined;
  const held = new Set(ids);
  const rest = design.placements.filter(({ id }) => !held.has(id));
  const at = rest.findIndex(({ id }) => id === other);
  const layer = rest[at]?.layer;
  return layer === undefined ? undefined : restackAt(design, ids, where === 'over' ? at + 1 : at, layer);
}

/**
 * The command that takes placements out of the stack and lays them into what is left of it.
 *
 * @param index place in what is left; one outside the layer's part of it means the end of that part
 * @param layer the one they come into; each stays in its own where missing
 */
export function restackAt(design: Design, ids: readonly string[], index: number, layer?: string): Command {
  const held = new Set(ids);
  const moved = design.placements.filter(({ id }) => held.has(id));
  return {
    type: 'all',
    commands: [
      { type: 'remove', ids: moved.map(({ id }) => id) },
      {
        type: 'insert',
        placements: moved.map((placement, i) => ({
          index: index + i,
          placement: layer === undefined ? placement : { ...placement, layer },
        })),
      },
    ],
  };
}

/**
 * The command that brings placements just over the next of those of their layer that lie over them, or just under the
 * next that lie under them; undefined where there is none.
 *
 * @param overlap whether two of them cover each other anywhere on the cloth
 */
export function restackByOne(
  design: Design,
  ids: readonly string[],
  to: 'up' | 'down',
  overlap: (a: Placement, b: Placement) => boolean,
): Command | undefined {
  const { placements } = design;
  const held = new Set(ids);
  const order = to === 'up' ? placements : [...placements].reverse();
  const passed: Placement[] = [];
  for (const placement of order) {
    if (held.has(placement.id)) {
      passed.push(placement);
      continue;
    }
    const over = passed.filter((other) => other.layer === placement.layer);
    if (!over.some((other) => overlap(other, placement))) continue;
    const moving = over.map(({ id }) => id);
    const rest = placements.filter(({ id }) => !moving.includes(id));
    return restackAt(design, moving, rest.indexOf(placement) + (to === 'up' ? 1 : 0));
  }
  return undefined;
}
