import { object, string, type InferType } from 'yup';
import { hexSchema } from '../colour/index.ts';
import { between, idSchema, type Immutable, nameSchema, whole } from '../schema/index.ts';
import { WEAVE_NAMES } from './weave.ts';

/** A cloth that a print house prints on. */
export const printClothSchema = object({
  id: idSchema,
  name: nameSchema,
  /** Such as “Cotton, 180 g/m²”. */
  fibre: string().required().max(120),
  weave: string().oneOf(WEAVE_NAMES).required(),
  /** Threads in 10 mm, across and down alike. */
  threads: between(2, 100),
  /** Printed width, mm. */
  width: between(100, 5000),
  /** The smallest repeat that it is printed in, mm along its shorter side. */
  leastRepeat: between(0, 1000),
  /** Metres in an order. */
  leastOrder: between(0.1, 1000),
  /** Of a metre, pence. */
  price: whole(1, 1e6),
  /** Its colour before it is printed. */
  base: hexSchema,
  /** The share by which inks lose chroma on it. */
  fading: between(0, 1),
})
  .noUnknown()
  .required();
export type PrintCloth = Immutable<InferType<typeof printClothSchema>>;
