import { array, object, string, type InferType } from 'yup';
import { RASTER_FORMAT_NAMES } from '../export/index.ts';
import { between, type Immutable, nameSchema, whole } from '../schema/index.ts';
import { printClothSchema } from './printCloth.ts';

/** What a print house takes. */
export const printRulesSchema = object({
  name: nameSchema,
  formats: array(string().oneOf(RASTER_FORMAT_NAMES).required()).required().min(1),
  /** Dots per inch. */
  leastDpi: between(1, 10_000),
  mostDpi: between(1, 10_000),
  mostBytes: whole(1, 1e12),
  /** Metres in an order. */
  mostOrder: between(1, 1e5),
  cloths: array(printClothSchema).required().min(1),
})
  .noUnknown()
  .required();
export type PrintRules = Immutable<InferType<typeof printRulesSchema>>;
