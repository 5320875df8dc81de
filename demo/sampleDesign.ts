import type { Hex } from '../core/colour/index.ts';
import { exchangeGround, isExchanged, propose, proposedInks, setMood } from '../core/colourway/index.ts';
import {
  type Colourway,
  colourwayOf,
  type Design,
  newDesign,
  newLayer,
  newPlacement,
  type Placement,
  sortByLayer,
} from '../core/document/index.ts';
import type { Repeat } from '../core/lattice/index.ts';
import type { LayoutRecipe, TossRecipe } from '../core/recipe/index.ts';
import { INKS, type InkName } from './draw/block.ts';

/** Motif, centre in mm, turn in degrees, scale, mirrored: from the bottom of the stack to the top. */
export type Laid = readonly [motif: string, x: number, y: number, rotation: number, scale: number, mirrored?: boolean];

/** The colours of a sample: its ground, and those inks that are not printed as they were cut. */
export type SampleColours = { readonly ground: Hex } & Partial<Readonly<Record<InkName, Hex>>>;

export const GROUNDS = { chalk: '#f6f0e2', deep: '#1d3d47' } as const;

/** The inks as they are printed on the deep ground, where indigo would drown. */
export const ON_DEEP: SampleColours = { ground: GROUNDS.deep, indigo: '#9dbfbb', kelp: '#7f9a72', madder: '#cf5a40' };

/** The id a sample motif has in the drawer. */
export function sampleMotifId(motif: string): string {
  return `low-tide-${motif}`;
}

/** The design with its smallest motifs in a layer of their own, under all others. */
export function withFillersBelow(design: Design, fillers: readonly string[]): Design {
  const below = newLayer('fillers', 'Fillers');
  const ids = new Set(fillers.map(sampleMotifId));
  const layers = [below, ...design.layers];
  return {
    ...design,
    layers,
    placements: sortByLayer(
      layers,
      design.placements.map((placement) => (ids.has(placement.motif) ? { ...placement, layer: below.id } : placement)),
    ),
  };
}

/** The design as what a toss has laid, so that it can be tossed again. */
export function tossedBy(design: Design, recipe: TossRecipe): Design {
  return { ...design, toss: { recipe, laid: design.placements.map(({ id }) => id) } };
}

/** The design as what a row or grid has laid, so that it follows its recipe. */
export function laidOutBy(design: Design, recipe: LayoutRecipe): Design {
  return { ...design, layout: { recipe, laid: design.placements.map(({ id }) => id) } };
}

/** A design of the sample collection as a document. */
export function sampleDesign(
  id: string,
  name: string,
  repeat: Repeat,
  colours: SampleColours,
  laid: readonly Laid[],
): Design {
  const inkNames = Object.keys(INKS) as InkName[];
  const design: Design = {
    ...newDesign(id, name, repeat),
    inks: [
      { id: 'ground', name: 'Ground', prints: [] },
      ...inkNames.map((ink) => ({ id: ink, name: ink[0]?.toUpperCase() + ink.slice(1), prints: [INKS[ink]] })),
    ],
    colourways: [{ id: 'base', name: 'Base', colours: { ...INKS, ...colours } }],
    placements: laid.map(([motif, x, y, rotation, scale, flipped = false], index): Placement => ({
      ...newPlacement(`${id}-${index + 1}`, { id: sampleMotifId(motif) }, { x, y }),
      rotation,
      scale,
      flipped,
    })),
  };
  return { ...design, colourways: [...design.colourways, ...otherColourways(design)] };
}

/** The same design in other colours, for a swatch of its own. */
export function recoloured(design: Design, colours: Partial<SampleColours>): Design {
  const base = colourwayOf(design);
  return { ...design, colourways: [{ ...base, colours: { ...base.colours, ...colours } }] };
}

/** Colourways beside the base: with the ground exchanged, in a cool light, and in a warm one. */
function otherColourways(design: Design): readonly Colourway[] {
  const inks = proposedInks(design);
  return [
    { id: 'night', name: 'Night tide', colours: propose(inks, exchangeGround, isExchanged) },
    { id: 'storm', name: 'Storm light', colours: propose(inks, setMood('cool')) },
    { id: 'sun', name: 'Low sun', colours: propose(inks, setMood('warm')) },
  ];
}
