import { array, number, object, string, type InferType } from 'yup';
import { stepSchema } from '../core/lattice/index.ts';
import { pictureFrameSchema } from '../core/recipe/index.ts';
import { idSchema, type Immutable, taggedUnion, whole } from '../core/schema/index.ts';
import { exactly, route } from './route.ts';

const join = string()
  .oneOf(['sides', 'ends'] as const)
  .required();
const edge = string()
  .oneOf(['left', 'right', 'top', 'bottom'] as const)
  .required();
const kindOf = <K extends string>(kind: K) => string().oneOf([kind]).required();
const strayOf = <K extends string>(kind: K) => object({ kind: kindOf(kind), edge, count: whole(1, 100) }).noUnknown();

/** What is wrong with a tile's edges; see `SeamFault`. */
const faultSchema = taggedUnion(
  'kind',
  {
    stray: strayOf('stray'),
    transparent: strayOf('transparent'),
    break: object({ kind: kindOf('break'), join, share: number().required() }).noUnknown(),
    slip: object({ kind: kindOf('slip'), join, by: number().required() }).noUnknown(),
    corner: object({ kind: kindOf('corner'), join }).noUnknown(),
    blocks: object({ kind: kindOf('blocks') }).noUnknown(),
  },
  'fault',
);
const linesSchema = array(whole(0, 1e6)).required();

const frameSeamsSchema = exactly({
  width: whole(1, 1e6),
  height: whole(1, 1e6),
  step: stepSchema.required(),
  sides: number().required(),
  ends: number().required(),
  breaks: exactly({ sides: linesSchema, ends: linesSchema }),
  faults: array(faultSchema).required(),
});
export type CheckedSeams = Immutable<InferType<typeof frameSeamsSchema>>;

export const checkSeams = route({
  method: 'POST',
  path: '/scans/{id}/seams',
  summary:
    'Tells whether what a frame shows of a picture is a tile that repeats by itself, in which step, and what is wrong with it.',
  params: exactly({ id: idSchema }),
  body: exactly({ frame: pictureFrameSchema }),
  answer: frameSeamsSchema,
  problems: [404, 422],
});
