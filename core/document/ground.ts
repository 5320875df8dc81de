import { object, string, type InferType } from 'yup';
import { idSchema, type Immutable, taggedUnion } from '../schema/index.ts';

/** Nothing behind the motifs: the file is transparent there. */
const noGroundSchema = object({ kind: string().oneOf(['none']).required() })
  .noUnknown()
  .required();

/** One ink, everywhere. */
const flatGroundSchema = object({ kind: string().oneOf(['flat']).required(), ink: idSchema })
  .noUnknown()
  .required();

/** What lies behind everything. A kind of ground has to close on the lattice. */
export const groundSchema = taggedUnion('kind', { none: noGroundSchema, flat: flatGroundSchema }, 'ground');

export type Ground = Immutable<InferType<typeof noGroundSchema>> | Immutable<InferType<typeof flatGroundSchema>>;

export const NO_GROUND: Ground = { kind: 'none' };

/** The inks that a ground is printed in. */
export function inksOfGround(ground: Ground): string[] {
  return ground.kind === 'flat' ? [ground.ink] : [];
}
