import { object, type InferType } from 'yup';
import { layoutRecipeSchema, tossRecipeSchema } from '../recipe/index.ts';
import { idsSchema, type Immutable } from '../schema/index.ts';
import { MOST_PLACEMENTS, READ_BEYOND } from './limits.ts';

/** The toss that a design was scattered by. `laid`: placements that it laid and may lay anew; one that is pinned is not among them any more. */
export const tossSchema = object({ recipe: tossRecipeSchema, laid: idsSchema(READ_BEYOND * MOST_PLACEMENTS) })
  .noUnknown()
  .nullable()
  .default(undefined)
  .defined();

/** The row or grid that a design was laid out by. `laid`: placements that it laid and lays anew when the recipe changes. */
export const layoutSchema = object({ recipe: layoutRecipeSchema, laid: idsSchema(READ_BEYOND * MOST_PLACEMENTS) })
  .noUnknown()
  .nullable()
  .default(undefined)
  .defined();

export type Toss = Immutable<NonNullable<InferType<typeof tossSchema>>>;
export type Layout = Immutable<NonNullable<InferType<typeof layoutSchema>>>;
