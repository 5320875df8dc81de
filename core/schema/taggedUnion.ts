import './words.ts';
import { lazy, mixed, type InferType, type ISchema, type Lazy, type ObjectSchema, type Schema } from 'yup';

/** Schemas of the variants of a union, by the value of the field that tells them apart. */
export type Variants = Readonly<Record<string, ObjectSchema<object> | Schema>>;

/**
 * A union whose variants are told apart by one field.
 *
 * @param tag the field's name
 * @param what what the union is of, for the message when the tag is unknown
 */
export function taggedUnion<S extends Variants>(tag: string, variants: S, what: string): Lazy<InferType<S[keyof S]>> {
  const unknown = mixed()
    .required()
    .test('known', `\${path} is no ${what} that is known`, () => false);
  const choose = (value: unknown): ISchema<unknown> => {
    const kind: unknown = typeof value === 'object' && value !== null ? Reflect.get(value, tag) : undefined;
    return typeof kind === 'string' && Object.hasOwn(variants, kind) ? (variants[kind] as Schema) : unknown;
  };
  // Yup cannot infer a union from a builder; which variant was chosen is what `choose` decides.
  return lazy(choose as () => Schema<InferType<S[keyof S]>>).meta({ anyOf: Object.values(variants) });
}

const NULL = mixed()
  .nullable()
  .defined()
  .meta({ json: { type: 'null' } });

/** A union, or null. */
export function orNull<T>(schema: Lazy<T> | Schema<T>): Lazy<T | null> {
  return lazy((value: unknown) => (value === null ? NULL : (schema.resolve({ value }) as Schema<T>))).meta({
    anyOf: [schema, NULL],
  }) as Lazy<T | null>;
}

const MISSING = mixed().optional();

/** A value that may be missing. */
export function orMissing<T>(schema: Lazy<T> | Schema<T>): Lazy<T | undefined> {
  return lazy((value: unknown): ISchema<T | undefined> => {
    if (value === undefined) return MISSING as Schema<undefined>;
    return schema.resolve({ value }) as Schema<T>;
  }).meta({ anyOf: [schema], optional: true });
}
