import {
  colourwayOf,
  type Design,
  inkResolver,
  type InkResolver,
  isPlain,
  type Layer,
  type Placement,
  printsOf,
  withSymmetry,
} from '../document/index.ts';
import { latticeOf } from '../lattice/index.ts';
import type { DrawnMotif } from '../motif/index.ts';
import type { Mixing } from '../recolour/index.ts';
import { sceneGround, type SceneGround } from './ground/index.ts';

/** All that decides what the cloth looks like, apart from the repeat and the scale. */
export interface Scene {
  readonly ground: SceneGround | undefined;
  /** Bottom to top, layer by layer, with their reflections; those of layers that are not shown are left out. */
  readonly placements: readonly Placement[];
  readonly motifs: ReadonlyMap<string, DrawnMotif>;
  /** The layers that are painted by themselves and then laid down as one. */
  readonly groups: ReadonlyMap<string, Layer>;
  readonly resolve: InkResolver;
  /** How pictures, and grounds between inks, come by their colours. */
  readonly mixing: Mixing;
  /** The same text for the same colours, and another for others. */
  readonly colours: string;
}

/**
 * The scene of a design in a colourway, the base unless given; placements whose motif is not at hand are left out by the painter.
 *
 * @param mixing how the colours between inks come about
 */
export function sceneOf(
  design: Design,
  motifs: ReadonlyMap<string, DrawnMotif>,
  colourway?: string,
  mixing: Mixing = 'eye',
): Scene {
  const hidden = new Set(design.layers.filter(({ shown }) => !shown).map(({ id }) => id));
  const shown = hidden.size === 0 ? design.placements : design.placements.filter(({ layer }) => !hidden.has(layer));
  const placements = withSymmetry(latticeOf(design.repeat), shown);
  const groups = new Map(design.layers.filter((layer) => !isPlain(layer)).map((layer) => [layer.id, layer]));
  return {
    ground: sceneGround(design, colourway, mixing),
    placements,
    groups,
    motifs,
    resolve: inkResolver(design, colourway),
    mixing,
    colours: coloursOf(design, colourway),
  };
}

function coloursOf(design: Design, colourway: string | undefined): string {
  const { colours } = colourwayOf(design, colourway);
  return design.inks.map((ink) => `${printsOf(ink).join('+')}=${colours[ink.id]}`).join(' ');
}
