import { array, boolean, object, string, type InferType } from 'yup';
import { between, distinctById, idSchema, type Immutable, nameSchema } from '../schema/index.ts';
import { BLENDS } from './blend.ts';
import { MOST_LAYERS, READ_BEYOND } from './limits.ts';
import type { Placement } from './placement.ts';

/** Part of the stacking order under a name: shown, locked, made transparent and blended as one. */
export const layerSchema = object({
  id: idSchema,
  name: nameSchema,
  /** What is not shown is not printed either. */
  shown: boolean().required(),
  /** What is locked is seen and cannot be selected. */
  locked: boolean().required(),
  /** 0 to 1, of all in it together. */
  opacity: between(0, 1),
  blend: string().oneOf(BLENDS).required(),
})
  .noUnknown()
  .required();

export type Layer = Immutable<InferType<typeof layerSchema>>;

export const layersSchema = distinctById(
  array(layerSchema)
    .required()
    .min(1)
    .max(READ_BEYOND * MOST_LAYERS),
  'layers',
);

/** A layer as it begins. */
export function newLayer(id: string, name: string): Layer {
  return { id, name, shown: true, locked: false, opacity: 1, blend: 'normal' };
}

/** Whether what lies in it can be taken in hand. */
export function isEditable({ shown, locked }: Layer): boolean {
  return shown && !locked;
}

/** Whether its motifs are painted as if it were not there. */
export function isPlain({ opacity, blend }: Layer): boolean {
  return opacity === 1 && blend === 'normal';
}

/** The placements layer by layer; within a layer in the order they have. The same array where they are so already. */
export function sortByLayer(layers: readonly Layer[], placements: readonly Placement[]): readonly Placement[] {
  const order = new Map(layers.map(({ id }, n) => [id, n]));
  const rank = ({ layer }: Placement): number => order.get(layer) ?? 0;
  for (let n = 1; n < placements.length; n += 1) {
    if (rank(placements[n - 1] as Placement) > rank(placements[n] as Placement))
      return [...placements].sort((a, b) => rank(a) - rank(b));
  }
  return placements;
}
