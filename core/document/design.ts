import type { Hex } from '../colour/hex.ts';
import type { Motif } from '../motif/motif.ts';
import type { Repeat } from '../lattice/repeat.ts';
import type { Guide } from './guide.ts';
import { newLayer, type Layer } from './layer.ts';
import type { Placement } from './placement.ts';
import type { LayoutRecipe } from '../recipe/layoutRecipe.ts';
import type { TossRecipe } from '../recipe/tossRecipe.ts';

/** A colour slot of a design. */
export interface Ink {
  readonly id: string;
  readonly name: string;
  /** The artwork colours that this ink prints; each belongs to one ink only. */
  readonly prints: readonly Hex[];
}

/** One full set of colours for the inks of a design. */
export interface Colourway {
  readonly id: string;
  readonly name: string;
  readonly colours: Readonly<Record<string, Hex>>;
}

/** The toss that a design was scattered by. */
export interface Toss {
  readonly recipe: TossRecipe;
  /** Placements that it laid and may lay anew; one that is pinned is not among them any more. */
  readonly laid: readonly string[];
}

/** The row or grid that a design was laid out by. */
export interface Layout {
  readonly recipe: LayoutRecipe;
  /** Placements that it laid and lays anew when the recipe changes. */
  readonly laid: readonly string[];
}

/** The editable document: plain data, in mm, never changed in place. */
export interface Design {
  readonly version: 3;
  readonly id: string;
  readonly name: string;
  readonly repeat: Repeat;
  /** The ink behind everything, or none. */
  readonly ground: string | null;
  readonly inks: readonly Ink[];
  readonly colourways: readonly Colourway[];
  /** The colourway it is looked at in. */
  readonly colourway: string;
  /** Bottom to top; at least one. */
  readonly layers: readonly Layer[];
  readonly guides: readonly Guide[];
  readonly toss: Toss | null;
  readonly layout: Layout | null;
  /** Bottom to top, layer by layer. */
  readonly placements: readonly Placement[];
}

/** A finished repeat under a name: the design and its motifs as they were when it was saved. */
export interface Swatch {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  /** The design it came from, and that design's revision then. */
  readonly designId: string;
  readonly revision: number;
  readonly design: Design;
  readonly motifs: readonly Motif[];
  /** Content addresses of the rendered straight unit and of a small picture of it. */
  readonly tile: string;
  readonly thumbnail: string;
  readonly tileWidth: number;
  readonly tileHeight: number;
}

/** The colourway the design is looked at in. */
export function currentColourway(design: Design): Colourway {
  const colourway = design.colourways.find(({ id }) => id === design.colourway) ?? design.colourways[0];
  if (!colourway) throw new RangeError(`design ${design.id} has no colourway`);
  return colourway;
}

/** The ground's colour, or undefined for none. */
export function groundColour(design: Design): Hex | undefined {
  return design.ground === null ? undefined : currentColourway(design).colours[design.ground];
}

/** The layer of a new design. */
export const DEFAULT_LAYER: Layer = newLayer('main', 'Motifs');
export const CALICO: Hex = '#f2eee4';

/** An empty design on a calico ground. */
export function newDesign(id: string, name: string, repeat: Repeat, ground: Hex = CALICO): Design {
  return {
    version: 3,
    id,
    name,
    repeat,
    ground: 'ground',
    inks: [{ id: 'ground', name: 'Ground', prints: [] }],
    colourways: [{ id: 'base', name: 'Base', colours: { ground } }],
    colourway: 'base',
    layers: [DEFAULT_LAYER],
    guides: [],
    toss: null,
    layout: null,
    placements: [],
  };
}
