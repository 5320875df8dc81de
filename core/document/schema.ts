import { array, boolean, lazy, mixed, number, object, string, type Schema } from 'yup';
import { isHex, type Hex } from '../colour/hex.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM } from '../repeat/repeat.ts';
import { fraction, LARGEST_DENOMINATOR, type StepKind } from '../repeat/step.ts';
import { LARGEST_SCALE, SMALLEST_SCALE } from './placement.ts';

/** More than any cell can show; a bound on what one request can ask for. */
export const MOST_PLACEMENTS = 20_000;

export const idSchema = string().required().min(1).max(64).matches(/^[\w-]+$/);
export const nameSchema = string().required('A name is needed.').trim().min(1, 'A name is needed.').max(120, 'A name has at most 120 letters.');
export const hexSchema = mixed<Hex>(isHex).required();

const finite = () => number().test('finite', '${path} has to be a number', (n) => n === undefined || Number.isFinite(n));
const place = finite().min(-1e6).max(1e6);
const cellSize = finite().required().min(SMALLEST_CELL_MM).max(LARGEST_CELL_MM);

const stepSchema = object({
  kind: mixed<StepKind>().oneOf(['square', 'half-drop', 'brick']).required(),
  drop: object({
    p: number().integer().min(0).required(),
    q: number().integer().min(1).max(LARGEST_DENOMINATOR).required(),
  })
    .noUnknown()
    .test('lowest', '${path} has to be in lowest terms', ({ p, q }) => {
      const lowest = fraction(p, q);
      return lowest.p === p && lowest.q === q;
    }),
})
  .noUnknown()
  .test('square', 'a square step has no drop', ({ kind, drop }) => kind !== 'square' || (drop.p === 0 && drop.q === 1));

export const repeatSchema = object({ width: cellSize, height: cellSize, step: stepSchema }).noUnknown().required();

const placementFields = {
  motif: idSchema,
  layer: idSchema,
  x: place.required(),
  y: place.required(),
  turn: place.required(),
  scale: finite().required().min(SMALLEST_SCALE).max(LARGEST_SCALE),
  mirrored: boolean().required(),
  opacity: finite().required().min(0).max(1),
};

export const placementSchema = object({ id: idSchema, ...placementFields }).noUnknown().required();

export const placementChangeSchema = object({
  motif: idSchema.optional(),
  layer: idSchema.optional(),
  x: place,
  y: place,
  turn: place,
  scale: placementFields.scale.optional(),
  mirrored: boolean(),
  opacity: placementFields.opacity.optional(),
}).noUnknown();

export const inkSchema = object({ id: idSchema, name: nameSchema, prints: array(hexSchema).required().max(1000) }).noUnknown();

/** A record whose keys are ids and whose values all fit one schema. */
export function recordOf<T extends Schema>(value: T): Schema<Record<string, ReturnType<T['cast']>>> {
  return lazy((given: unknown) =>
    typeof given === 'object' && given !== null
      ? object(Object.fromEntries(Object.keys(given).map((key) => [key, value])))
          .test('ids', 'keys have to be ids', (record) => Object.keys(record).every((key) => idSchema.isValidSync(key)))
          .required()
      : object().required(),
  ) as unknown as Schema<Record<string, ReturnType<T['cast']>>>;
}

const distinct = (what: string) => ({
  name: 'distinct',
  message: `two ${what} share an id`,
  test: (list: readonly { id: string }[] | undefined) => new Set(list?.map(({ id }) => id)).size === (list?.length ?? 0),
});

/** A design as it may come in at any door. */
export const designSchema = object({
  version: number().oneOf([1]).required(),
  id: idSchema,
  name: nameSchema,
  repeat: repeatSchema,
  ground: idSchema.optional().nullable().defined(),
  inks: array(inkSchema).required().max(1000).test(distinct('inks')),
  colourways: array(object({ id: idSchema, name: nameSchema, colours: recordOf(hexSchema) }).noUnknown())
    .required()
    .min(1)
    .max(200)
    .test(distinct('colourways')),
  colourway: idSchema,
  layers: array(object({ id: idSchema, name: nameSchema }).noUnknown()).required().min(1).max(500).test(distinct('layers')),
  placements: array(placementSchema).required().max(MOST_PLACEMENTS).test(distinct('placements')),
})
  .noUnknown()
  .required();
