import { number, object, string, type InferType } from 'yup';
import { between, idSchema, type Immutable, whole } from '../../core/schema/index.ts';

/** What the print house is asked to print. */
export const houseWishSchema = object({
  /** Of whoever orders; the same one twice is the same order. */
  reference: idSchema,
  upload: idSchema,
  /** Of the file, so that nothing is printed that was damaged on the way. */
  sha256: string()
    .required()
    .matches(/^[0-9a-f]{64}$/),
  /** What repeats, mm. */
  width: between(0.1, 1e5),
  height: between(0.1, 1e5),
  cloth: idSchema,
  metres: between(0.1, 1e5),
})
  .noUnknown()
  .required();
export type HouseWish = Immutable<InferType<typeof houseWishSchema>>;

const HOUSE_STATES = ['printing', 'answered', 'refused', 'approved', 'dispatched', 'cancelled'] as const;

/** An order as the print house tells of it. */
export const houseOrderSchema = object({
  id: idSchema,
  reference: idSchema,
  state: string().oneOf(HOUSE_STATES).required(),
  /** Why it was refused. */
  message: string().nullable().defined(),
  /** Of a metre and of all, pence. */
  price: whole(0, 1e9),
  total: number().integer().min(0).required(),
})
  .noUnknown()
  .required();
export type HouseOrder = Immutable<InferType<typeof houseOrderSchema>>;
