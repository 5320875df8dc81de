import { array, boolean, lazy, mixed, number, object, string, type Schema } from 'yup';
import { isHex, type Hex } from '../colour/hex.ts';
import { GRID_FIGURES, MOST_GRID_SIZE, MOST_IN_GRID, MOST_IN_ROW, MOST_ROWS } from '../recipe/layoutRecipe.ts';
import { LEAST_GAP, MOST_GAP, MOST_TOSSED, ROLES } from '../recipe/tossRecipe.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, type Repeat } from '../lattice/repeat.ts';
import { isHexagonal } from '../lattice/honeycomb.ts';
import { fraction, LARGEST_DENOMINATOR, mirroringsOf, type Mirroring, type StepKind } from '../lattice/step.ts';
import { BLENDS } from './blend.ts';
import { LARGEST_SCALE, SMALLEST_ASPECT, LARGEST_SKEW, LARGEST_ASPECT, SMALLEST_SCALE } from './placement.ts';

/** More than any cell can show; a bound on what one request can ask for. */
export const MOST_PLACEMENTS = 20_000;

export const idSchema = string()
  .required()
  .min(1)
  .max(64)
  .matches(/^[\w-]+$/);
export const nameSchema = string()
  .required('A name is needed.')
  .trim()
  .min(1, 'A name is needed.')
  .max(120, 'A name has at most 120 letters.');
export const hexSchema = mixed<Hex>(isHex).required();

const finite = () =>
  number().test('finite', '${path} has to be a number', (n) => n === undefined || Number.isFinite(n));
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
  mirrored: mixed<Mirroring>().oneOf(['columns', 'rows', 'both']).optional(),
  honeycomb: mixed<true>().oneOf([true]).optional(),
})
  .noUnknown()
  .test('square', 'a square step has no drop', ({ kind, drop }) => kind !== 'square' || (drop.p === 0 && drop.q === 1))
  .test(
    'mirrored',
    'these cells cannot be reflected by this step',
    ({ mirrored, ...step }) => mirrored === undefined || mirroringsOf(step).includes(mirrored),
  )
  .test(
    'honeycomb',
    'a honeycomb drops by 1/2',
    ({ kind, drop, honeycomb }) => !honeycomb || (kind !== 'square' && drop.p === 1 && drop.q === 2),
  );

export const repeatSchema = object({
  width: cellSize,
  height: cellSize,
  step: stepSchema,
  module: finite().moreThan(0).max(LARGEST_CELL_MM).optional(),
  held: mixed<true>().oneOf([true]).optional(),
})
  .noUnknown()
  .required()
  .test(
    'hexagon',
    'the cell of a honeycomb has the proportions of a hexagon',
    (repeat: { step?: { honeycomb?: boolean } } | undefined) =>
      !repeat?.step?.honeycomb || isHexagonal(repeat as Repeat),
  );

const blendSchema = string().oneOf(BLENDS);
const opacitySchema = finite().min(0).max(1);

/** What of a placement can be changed. */
const placementFields = {
  motif: idSchema.optional(),
  x: place,
  y: place,
  rotation: place,
  scale: finite().min(SMALLEST_SCALE).max(LARGEST_SCALE),
  aspect: finite().min(SMALLEST_ASPECT).max(LARGEST_ASPECT),
  skew: finite().min(-LARGEST_SKEW).max(LARGEST_SKEW),
  flipped: boolean(),
  opacity: opacitySchema,
  blend: blendSchema,
};

export const placementChangeSchema = object(placementFields).noUnknown();

export const placementSchema = object({
  id: idSchema,
  layer: idSchema,
  ...(Object.fromEntries(
    Object.entries(placementFields).map(([key, field]) => [key, field.required()]),
  ) as typeof placementFields),
})
  .noUnknown()
  .required();

/** More than anyone can keep apart. */
export const MOST_LAYERS = 200;
export const MOST_GUIDES = 200;

export const inkSchema = object({
  id: idSchema,
  name: nameSchema,
  prints: array(hexSchema).required().max(1000),
}).noUnknown();

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
  test: (list: readonly { id: string }[] | undefined) =>
    new Set(list?.map(({ id }) => id)).size === (list?.length ?? 0),
});

export const layersSchema = array(
  object({
    id: idSchema,
    name: nameSchema,
    shown: boolean().required(),
    locked: boolean().required(),
    opacity: opacitySchema.required(),
    blend: blendSchema.required(),
  }).noUnknown(),
)
  .required()
  .min(1)
  .max(MOST_LAYERS, `A design has at most ${MOST_LAYERS} layers.`)
  .test(distinct('layers'));

export const guidesSchema = array(
  object({ id: idSchema, axis: string().oneOf(['x', 'y']).required(), at: place.required() }).noUnknown(),
)
  .required()
  .max(MOST_GUIDES, `A design has at most ${MOST_GUIDES} guides.`)
  .test(distinct('guides'));

const scaleOf = () => finite().required().min(SMALLEST_SCALE).max(LARGEST_SCALE);

export const tossSchema = object({
  recipe: object({
    entries: array(
      object({
        motif: idSchema,
        role: string().oneOf(ROLES).required(),
        count: number().integer().required().min(0).max(MOST_TOSSED),
        smallest: scaleOf(),
        largest: scaleOf(),
      })
        .noUnknown()
        .test(
          'rising',
          '${path} has to grow from its smallest to its largest size',
          ({ smallest, largest }) => smallest <= largest,
        ),
    )
      .required()
      .max(200),
    directions: object({
      kind: string().oneOf(['one', 'two', 'four', 'all', 'range']).required(),
      from: finite().min(-360).max(360),
      to: finite().min(-360).max(360),
    })
      .noUnknown()
      .test(
        'range',
        '${path} needs from and to',
        ({ kind, from, to }) => (kind === 'range') === (from !== undefined && to !== undefined),
      ),
    flipped: boolean().required(),
    gap: finite().required().min(LEAST_GAP).max(MOST_GAP),
    ground: finite().required().min(0).max(1),
    seed: number().integer().required().min(0).max(1e9),
  })
    .noUnknown()
    .required(),
  laid: array(idSchema).required().max(MOST_PLACEMENTS),
})
  .noUnknown()
  .nullable()
  .default(undefined)
  .defined();

const rowSchema = object({
  kind: string().oneOf(['row']).required(),
  rows: array(array(idSchema).required().min(1).max(MOST_IN_ROW)).required().min(1).max(MOST_ROWS),
  equal: string().oneOf(['width', 'height', 'area']).required(),
  size: finite().required().moreThan(0).max(LARGEST_CELL_MM),
  gap: finite().required().min(LEAST_GAP).max(MOST_GAP),
  rowGap: finite().required().min(LEAST_GAP).max(MOST_GAP),
}).noUnknown();

const gridSchema = object({
  kind: string().oneOf(['grid']).required(),
  figure: string().oneOf(GRID_FIGURES).required(),
  motif: idSchema,
  fitted: boolean().required(),
  count: number().integer().required().min(1).max(MOST_IN_GRID),
  angle: finite().required().min(-360).max(360),
  size: finite().required().moreThan(0).max(MOST_GRID_SIZE),
}).noUnknown();

export const layoutSchema = object({
  recipe: lazy((given: unknown) =>
    (given as { kind?: unknown } | undefined)?.kind === 'grid' ? gridSchema.required() : rowSchema.required(),
  ),
  laid: array(idSchema).required().max(MOST_PLACEMENTS),
})
  .noUnknown()
  .nullable()
  .default(undefined)
  .defined();

/** A design as it may come in at any door. */
export const designSchema = object({
  version: number().oneOf([3]).required(),
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
  layers: layersSchema,
  guides: guidesSchema,
  toss: tossSchema,
  layout: layoutSchema,
  placements: array(placementSchema).required().max(MOST_PLACEMENTS).test(distinct('placements')),
})
  .noUnknown()
  .required();
