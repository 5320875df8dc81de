import { array, object, string, type InferType } from 'yup';
import { type Hex, hexSchema } from '../colour/index.ts';
import { between, type Immutable, pointSchema, taggedUnion, ofWhole } from '../schema/index.ts';

/** Stops of a fade. */
export const [FEWEST_STOPS, MOST_STOPS] = [2, 8];

const stopSchema = object({ offset: between(0, 1), ink: hexSchema, opacity: between(0, 1) }).noUnknown();

const stopsSchema = array(stopSchema)
  .required()
  .min(FEWEST_STOPS)
  .max(MOST_STOPS)
  .test(
    'rising',
    'each stop lies at or behind the one before',
    ofWhole((stops) => stops.every(({ offset }, n) => n === 0 || offset >= (stops[n - 1]?.offset ?? 0))),
  );

const kind = <K extends string>(name: K) => string<K>().oneOf([name]).required();

/** How a fill changes over a piece. Points are mm from the piece's place. */
export const fadeSchema = taggedUnion(
  'kind',
  {
    /** From edge to edge of the piece, towards `angle` degrees, clockwise from right. */
    across: object({ kind: kind('across'), angle: between(-360, 360), stops: stopsSchema }).noUnknown(),
    line: object({ kind: kind('line'), from: pointSchema, to: pointSchema, stops: stopsSchema }).noUnknown(),
    /** From its middle outwards. */
    glow: object({
      kind: kind('glow'),
      middle: pointSchema,
      radius: between(0.1, 1e5),
      stops: stopsSchema,
    }).noUnknown(),
  },
  'fade',
);

export type FadeStop = Immutable<InferType<typeof stopSchema>>;
export type Fade = Immutable<InferType<typeof fadeSchema>>;

/** From the full ink to a rest of it. @param rest 0 to 1 */
export function stopsTo(ink: Hex, rest: number): readonly FadeStop[] {
  return [
    { offset: 0, ink, opacity: 1 },
    { offset: 1, ink, opacity: rest },
  ];
}
