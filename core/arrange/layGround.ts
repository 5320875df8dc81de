import { type Command, type Design, newLayer, newPlacement, type Placement, withInks } from '../document/index.ts';
import { isWithinLimits } from '../geometry/index.ts';
import { type Motif, naturalHeight } from '../motif/index.ts';

/** The layer of a motif that is the ground. */
export const GROUND_LAYER = 'motif-ground';

/** The placement that fills the cell with a motif; undefined where that would make it larger or smaller than one can be. */
export function fillingPlacement(
  { repeat }: Pick<Design, 'repeat'>,
  motif: Pick<Motif, 'id' | 'width' | 'view'>,
  id: string,
): ReturnType<typeof newPlacement> | undefined {
  const { width, height } = repeat;
  const scale = width / motif.width;
  const aspect = height / (naturalHeight(motif) * scale);
  const placement = { ...newPlacement(id, motif, { x: width / 2, y: height / 2 }), layer: GROUND_LAYER, scale, aspect };
  return isWithinLimits(placement) ? placement : undefined;
}

/**
 * The command that makes a motif the ground: it fills the cell, in a locked layer below all others; what was there before goes.
 * Undefined where the motif cannot be made as large as the cell.
 *
 * @param id of the placement
 */
export function layGround(design: Design, motif: Motif, id: string, layerName: string): Command | undefined {
  const placement = fillingPlacement(design, motif, id);
  if (!placement) return undefined;
  const others = design.layers.filter((layer) => layer.id !== GROUND_LAYER);
  const layer = { ...newLayer(GROUND_LAYER, layerName), locked: true };
  return withInks(design, [motif], {
    type: 'all',
    commands: [
      ...removal(design),
      { type: 'layers', layers: [layer, ...others] },
      { type: 'insert', placements: [{ index: 0, placement }] },
    ],
  });
}

/** The command that takes a motif away from the ground; undefined where none is there. */
export function liftGround(design: Design): Command | undefined {
  if (!design.layers.some(({ id }) => id === GROUND_LAYER)) return undefined;
  const layers = design.layers.filter(({ id }) => id !== GROUND_LAYER);
  return { type: 'all', commands: [...removal(design), { type: 'layers', layers }] };
}

/** What is shown and lies on the ground, so that a motif that is the ground is in nobody's way. */
export function seenOnGround({ layers, placements }: Pick<Design, 'layers' | 'placements'>): readonly Placement[] {
  const left = new Set(layers.filter(({ id, shown }) => !shown || id === GROUND_LAYER).map(({ id }) => id));
  return placements.filter(({ layer }) => !left.has(layer));
}

function removal({ placements }: Design): Command[] {
  const ids = placements.filter(({ layer }) => layer === GROUND_LAYER).map(({ id }) => id);
  return ids.length > 0 ? [{ type: 'remove', ids }] : [];
}
