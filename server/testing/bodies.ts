import fc, { type Arbitrary } from 'fast-check';
import type { JsonSchema } from '../../contract/jsonSchema.ts';

/** Ids that lead somewhere, for those who want more than 404. */
export type KnownIds = readonly string[];

/** Values of a JSON Schema of the contract: small ones mostly, with what is at the limits of each field now and then. */
export class BodyArbitraries {
  readonly #definitions: Readonly<Record<string, JsonSchema>>;
  readonly #ids: KnownIds;

  /** @param ids used as ids now and then */
  constructor(definitions: Readonly<Record<string, JsonSchema>>, ids: KnownIds) {
    this.#definitions = definitions;
    this.#ids = ids;
  }

  /** Values that fit. @param depth levels that may still lie within each other; optional parts are left out below */
  of(schema: JsonSchema, depth = 6): Arbitrary<unknown> {
    const { $ref, anyOf, enum: choices, type } = schema;
    if (typeof $ref === 'string')
      return fc.constant($ref).chain((name) => this.of(this.#definitions[name.replace('#/$defs/', '')] ?? {}, depth));
    if (Array.isArray(choices)) return fc.constantFrom(...(choices as unknown[]));
    if (Array.isArray(anyOf)) return this.#oneOf(anyOf as JsonSchema[], depth);
    if (Array.isArray(type))
      return fc.oneof(
        ...(type as string[]).map((one) => this.of(one === 'null' ? NULL : { ...schema, type: one }, depth)),
      );
    switch (type) {
      case 'null':
        return fc.constant(null);
      case 'boolean':
        return fc.boolean();
      case 'integer':
        return fc.maxSafeInteger().chain((n) => fc.constantFrom(...whole(schema, n)));
      case 'number':
        return fc.double({ noNaN: true, noDefaultInfinity: true }).chain((n) => fc.constantFrom(...real(schema, n)));
      case 'string':
        return this.#text(schema);
      case 'array':
        return this.#list(schema, depth);
      case 'object':
        return this.#object(schema, depth);
      default:
        return fc.constantFrom({}, [], 'text', 7, true);
    }
  }

  /** Made when it is drawn: what holds itself has no end otherwise. */
  #oneOf(variants: readonly JsonSchema[], depth: number): Arbitrary<unknown> {
    const plain = variants.filter(({ type }) => type === 'null');
    const left = depth <= 0 && plain.length > 0 ? plain : variants;
    return fc.constantFrom(...left).chain((variant) => this.of(variant, depth - 1));
  }

  #text({ pattern, minLength = 0, maxLength = 5000 }: JsonSchema): Arbitrary<string> {
    if (typeof pattern !== 'string') {
      const [least, most] = [Number(minLength), Number(maxLength)];
      const usual = fc.string({ minLength: least, maxLength: Math.max(least, Math.min(most, 12)) });
      return fc.oneof({ weight: 5, arbitrary: usual }, fc.constant('x'.repeat(Math.min(most, 5000))));
    }
    const regex = new RegExp(pattern, 'u');
    const fits = (text: string): boolean =>
      regex.test(text) && text.length >= Number(minLength) && text.length <= Number(maxLength);
    // What may not stand there is sorted out afterwards: the package makes no text by it.
    const made = fc.stringMatching(new RegExp(pattern.replace(/\(\?!(?:[^()]|\([^()]*\))*\)/g, '')));
    const known = this.#ids.filter(fits);
    const some = fc
      .array(made, { minLength: 8, maxLength: 8 })
      .map((texts) => texts.find(fits) ?? 'a'.repeat(Math.max(1, Number(minLength))));
    return known.length > 0 ? fc.oneof({ weight: 3, arbitrary: fc.constantFrom(...known) }, some) : some;
  }

  #list({ items, prefixItems, minItems = 0, maxItems = 5 }: JsonSchema, depth: number): Arbitrary<unknown[]> {
    if (Array.isArray(prefixItems))
      return fc.tuple(...(prefixItems as JsonSchema[]).map((item) => this.of(item, depth - 1)));
    const least = Number(minItems);
    const most = depth <= 0 ? least : Math.max(least, Math.min(Number(maxItems), 3));
    return fc.array(this.of((items ?? {}) as JsonSchema, depth - 1), { minLength: least, maxLength: most });
  }

  #object({ properties, required, additionalProperties, propertyNames }: JsonSchema, depth: number): Arbitrary<object> {
    if (properties === undefined) {
      if (typeof additionalProperties !== 'object') return fc.constant({});
      const key = this.of((propertyNames ?? { type: 'string' }) as JsonSchema) as Arbitrary<string>;
      return fc.dictionary(key, this.of(additionalProperties as JsonSchema, depth - 1), { maxKeys: 3 });
    }
    const needed = (required ?? []) as string[];
    const fields = Object.entries(properties as Readonly<Record<string, JsonSchema>>).filter(
      ([name]) => depth > 0 || needed.includes(name),
    );
    const record = Object.fromEntries(fields.map(([name, field]) => [name, this.of(field, depth - 1)]));
    return fc.record(record, { requiredKeys: needed });
  }
}

const NULL: JsonSchema = { type: 'null' };

/** A number brought to where it fits, and those at the ends. */
function whole(schema: JsonSchema, n: number): number[] {
  const [least, most] = ends(schema, 1);
  return [least + (Math.abs(n) % (most - least + 1)), least, Math.min(most, Math.max(least, n % 7)), most];
}

function real(schema: JsonSchema, n: number): number[] {
  const [least, most] = ends(schema, 1e-6);
  const share = Math.abs(n) % 1;
  return [least + share * (most - least), least, Math.min(most, Math.max(least, share * 10)), most];
}

function ends(schema: JsonSchema, step: number): [least: number, most: number] {
  const { minimum, maximum, exclusiveMinimum, exclusiveMaximum } = schema as Readonly<
    Record<string, number | undefined>
  >;
  const least = minimum ?? (exclusiveMinimum === undefined ? -1e6 : exclusiveMinimum + step);
  const most = maximum ?? (exclusiveMaximum === undefined ? Math.max(1e6, least) : exclusiveMaximum - step);
  return [least, most];
}

/** What somebody may put in the place of a value that fits. */
const STRANGE: readonly unknown[] = [
  null,
  '',
  'x',
  'a\u0000b',
  'half \ud83d',
  ' spaced ',
  '__proto__',
  'constructor',
  '-271821-04-20T00:00:00.000Z',
  '+275760-09-13T00:00:00.000Z',
  '9'.repeat(20),
  'x'.repeat(5000),
  0,
  -1,
  1.5,
  1e20,
  1e308,
  -1e308,
  5e-324,
  true,
  [],
  [null],
  [[]],
  {},
  { x: null },
];

/** A value that is one step from one that fits: something in it is left out, doubled, added, or another thing. */
export function oneStepFrom(value: unknown): Arbitrary<unknown> {
  const places = placesIn(value);
  return fc
    .record({
      place: fc.constantFrom(...places),
      deed: fc.constantFrom('other', 'other', 'other', 'without', 'twice', 'more'),
      other: fc.constantFrom(...STRANGE),
    })
    .map(({ place, deed, other }) => changed(value, place, deed, other));
}

type Place = readonly (string | number)[];

function placesIn(value: unknown, at: Place = []): Place[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [at, ...Object.entries(value).flatMap(([key, inner]) => placesIn(inner, [...at, key]))];
}

function changed(value: unknown, [key, ...rest]: Place, deed: string, other: unknown): unknown {
  if (key === undefined) {
    if (deed === 'more' && typeof value === 'object' && value !== null && !Array.isArray(value))
      return { ...value, unknown: other };
    if (deed === 'twice' && Array.isArray(value)) return [...(value as unknown[]), ...(value as unknown[])];
    return other;
  }
  const copy: unknown = Array.isArray(value) ? [...(value as unknown[])] : { ...Object(value) };
  const inner: unknown = Reflect.get(copy as object, key);
  if (rest.length === 0 && deed === 'without') {
    if (Array.isArray(copy)) copy.splice(Number(key), 1);
    else Reflect.deleteProperty(copy as object, key);
  } else
    Object.defineProperty(copy, key, {
      value: changed(inner, rest, deed, other),
      enumerable: true,
      writable: true,
      configurable: true,
    });
  return copy;
}
