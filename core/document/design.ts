import { array, number, object, type InferType } from 'yup';
import type { Hex } from '../colour/index.ts';
import { type Repeat, repeatSchema } from '../lattice/index.ts';
import { distinctById, idSchema, type Immutable, nameSchema } from '../schema/index.ts';
import { layoutSchema, tossSchema } from './arrangementRecipes.ts';
import { groundSchema } from './ground.ts';
import { guidesSchema } from './guide.ts';
import { type Colourway, colourwaySchema, inkSchema } from './ink.ts';
import { type Layer, layersSchema, newLayer } from './layer.ts';
import { MOST_COLOURWAYS, MOST_INKS, MOST_PLACEMENTS, READ_BEYOND } from './limits.ts';
import { placementSchema } from './placement.ts';

/** The version of the document that is written. */
export const DESIGN_VERSION = 4;

/** The editable document: plain data, in mm, never changed in place. */
export const designSchema = object({
  version: number<typeof DESIGN_VERSION>()
    .oneOf([DESIGN_VERSION] as const)
    .required(),
  id: idSchema,
  name: nameSchema,
  repeat: repeatSchema,
  ground: groundSchema,
  inks: distinctById(
    array(inkSchema)
      .required()
      .max(READ_BEYOND * MOST_INKS),
    'inks',
  ),
  /** The first is the base. */
  colourways: distinctById(
    array(colourwaySchema)
      .required()
      .min(1)
      .max(READ_BEYOND * MOST_COLOURWAYS),
    'colourways',
  ),
  /** Bottom to top; at least one. */
  layers: layersSchema,
  guides: guidesSchema,
  toss: tossSchema,
  layout: layoutSchema,
  /** Bottom to top, layer by layer. */
  placements: distinctById(
    array(placementSchema)
      .required()
      .max(READ_BEYOND * MOST_PLACEMENTS),
    'placements',
  ),
})
  .noUnknown()
  .required();

export type Design = Immutable<InferType<typeof designSchema>>;

/** A colourway of the design: the one asked for, or the base where that is not among them. */
export function colourwayOf(design: Pick<Design, 'id' | 'colourways'>, colourway?: string): Colourway {
  const found = design.colourways.find(({ id }) => id === colourway) ?? design.colourways[0];
  if (!found) throw new RangeError(`design ${design.id} has no colourway`);
  return found;
}

/** The layer of a new design. */
export const DEFAULT_LAYER: Layer = newLayer('main', 'Motifs');
export const CALICO: Hex = '#f2eee4';

/** An empty design on a calico ground. */
export function newDesign(id: string, name: string, repeat: Repeat, ground: Hex = CALICO): Design {
  return {
    version: DESIGN_VERSION,
    id,
    name,
    repeat,
    ground: { kind: 'flat', ink: 'ground' },
    inks: [{ id: 'ground', name: 'Ground', prints: [] }],
    colourways: [{ id: 'base', name: 'Base', colours: { ground } }],
    layers: [DEFAULT_LAYER],
    guides: [],
    toss: null,
    layout: null,
    placements: [],
  };
}
