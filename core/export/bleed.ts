import { object, string, type InferType } from 'yup';
import { between, type Immutable } from '../schema/index.ts';

export const MOST_BLEED = 1000;

export const bleedSchema = object({
  unit: string()
    .oneOf(['px', 'mm'] as const)
    .required(),
  amount: between(0, MOST_BLEED),
})
  .noUnknown()
  .required();
/** How far the pattern goes on beyond each edge of the trim. */
export type Bleed = Immutable<InferType<typeof bleedSchema>>;

export const NO_BLEED: Bleed = { unit: 'px', amount: 0 };
