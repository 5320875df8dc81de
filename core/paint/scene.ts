import { inkResolver, type InkResolver } from '../document/inkResolver.ts';
import type { Hex } from '../colour/hex.ts';
import { currentColourway, groundColour, type Design } from '../document/design.ts';
import { isPlain, type Layer } from '../document/layer.ts';
import { withSymmetry } from '../document/withSymmetry.ts';
import type { Placement } from '../document/placement.ts';
import type { Artwork } from '../motif/artwork.ts';
import { symmetryOpsOf } from '../lattice/symmetry.ts';
import type { Motif } from '../motif/motif.ts';

/** A motif with its artwork at hand. */
export interface DrawnMotif {
  readonly motif: Motif;
  readonly artwork: Artwork;
}

/** All that decides what the cloth looks like, apart from the repeat and the scale. */
export interface Scene {
  readonly ground: Hex | undefined;
  /** Bottom to top, layer by layer, with their reflections; those of layers that are not shown are left out. */
  readonly placements: readonly Placement[];
  readonly motifs: ReadonlyMap<string, DrawnMotif>;
  /** The layers that are painted by themselves and then laid down as one. */
  readonly groups: ReadonlyMap<string, Layer>;
  readonly resolve: InkResolver;
  /** The same text for the same colours, and another for others. */
  readonly colours: string;
}

/** The scene of a design; placements whose motif is not at hand are left out by the painter. */
export function sceneOf(design: Design, motifs: ReadonlyMap<string, DrawnMotif>): Scene {
  const hidden = new Set(design.layers.filter(({ shown }) => !shown).map(({ id }) => id));
  const shown = hidden.size === 0 ? design.placements : design.placements.filter(({ layer }) => !hidden.has(layer));
  const placements = withSymmetry({ ops: symmetryOpsOf(design.repeat) }, shown);
  const groups = new Map(design.layers.filter((layer) => !isPlain(layer)).map((layer) => [layer.id, layer]));
  return {
    ground: groundColour(design),
    placements,
    groups,
    motifs,
    resolve: inkResolver(design),
    colours: coloursOf(design),
  };
}

function coloursOf(design: Design): string {
  const { colours } = currentColourway(design);
  return design.inks.map(({ id, prints }) => `${prints.join('+')}=${colours[id]}`).join(' ');
}
