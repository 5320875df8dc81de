import { array, object, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import type { Box } from '../geometry/index.ts';
import { recipeSchema } from '../recipe/index.ts';
import { addressSchema, finite, idSchema, type Immutable, nameSchema, orNull } from '../schema/index.ts';

/** The rectangle of the artwork's own units that counts as its extent. */
export const viewSchema = object({
  x: finite().required(),
  y: finite().required(),
  width: finite().moreThan(0).required(),
  height: finite().moreThan(0).required(),
})
  .noUnknown()
  .required();

/** The fields of a motif but for its recipe. */
const motifFields = {
  id: idSchema,
  name: nameSchema,
  collection: nameSchema,
  /** Natural width in mm; the height follows from the artwork's proportions. */
  width: finite().moreThan(0).required(),
  /** Content address of the artwork's JSON. */
  artwork: addressSchema,
  /** Extent of the artwork in its own units. */
  view: viewSchema,
  inks: array(hexSchema).required(),
  /** Content address of the file it was made from; of its first artwork where it was made here. */
  source: addressSchema,
};

/** One piece of artwork in the studio's drawer. Designs hold its id, so what changes here changes everywhere. */
export const motifSchema = object({
  ...motifFields,
  /** How its artwork is made; null where it is simply what the file holds. */
  recipe: orNull(recipeSchema),
}).required();

export type View = Immutable<InferType<typeof viewSchema>>;
export type Motif = Immutable<InferType<typeof motifSchema>>;

/** Natural height in mm. */
export function naturalHeight({ width, view }: Pick<Motif, 'width' | 'view'>): number {
  return (width * view.height) / view.width;
}

/** A view as a box. */
export function boxOfView({ x, y, width, height }: View): Box {
  return { left: x, top: y, right: x + width, bottom: y + height };
}

/** A box as a view. */
export function viewOfBox({ left, top, right, bottom }: Box): View {
  return { x: left, y: top, width: right - left, height: bottom - top };
}
