import { lazy, object, type InferType, type Lazy, type Schema } from 'yup';
import { idSchema } from './fields.ts';

/** A record whose keys are ids and whose values all fit one schema. */
export function recordOf<S extends Schema>(value: S): Lazy<Record<string, InferType<S>>> {
  return lazy((given: unknown) =>
    typeof given === 'object' && given !== null
      ? object(Object.fromEntries(Object.keys(given).map((key) => [key, value])))
          .test('ids', 'keys have to be ids', (record) => Object.keys(record).every((key) => idSchema.isValidSync(key)))
          .required()
      : object().required(),
  ).meta({ values: value });
}
