import type { ISchema, Schema, SchemaDescription } from 'yup';
import { idSchema } from '../core/schema/index.ts';
import { FILE } from './route.ts';

/** A JSON Schema (draft 2020-12), as plain data. */
export type JsonSchema = Readonly<Record<string, unknown>>;

/** Composites of commands lie in each other; below this depth the schema says no more. */
const DEEPEST = 24;

interface Described {
  readonly spec?: {
    readonly nullable?: boolean;
    readonly optional?: boolean;
    readonly default?: unknown;
    readonly meta?: Readonly<Record<string, unknown>>;
  };
}

/** The JSON Schemas of what has a name since it holds itself, such as a node of artwork. */
export class Definitions extends Map<string, JsonSchema> {
  /** @param place where they stand in the document, as references begin */
  constructor(readonly place = '#/$defs/') {
    super();
  }
}

/** A file of its own with the JSON Schema of a schema, with definitions of what holds itself. */
export function jsonSchemaFile(title: string, schema: ISchema<unknown>): JsonSchema {
  const definitions = new Definitions();
  const json = jsonSchemaOf(schema, 0, definitions);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title,
    ...json,
    ...(definitions.size > 0 && { $defs: Object.fromEntries(definitions) }),
  };
}

/** The JSON Schema of a schema of the contract; what only a test of Yup's says is in its description. */
export function jsonSchemaOf(schema: ISchema<unknown>, depth = 0, definitions?: Definitions): JsonSchema {
  if (depth > DEEPEST) return {};
  const own = schema as unknown as Schema & Described;
  const meta = own.spec?.meta;
  const name = meta?.['name'];
  if (definitions && typeof name === 'string') {
    if (!definitions.has(name)) {
      definitions.set(name, {});
      definitions.set(name, unnamed(schema, 0, definitions));
    }
    return nullable(own, { $ref: `${definitions.place}${name}` });
  }
  return unnamed(schema, depth, definitions);
}

function unnamed(schema: ISchema<unknown>, depth: number, definitions: Definitions | undefined): JsonSchema {
  const own = schema as unknown as Schema & Described;
  const meta = own.spec?.meta;
  const json = meta?.['json'] as JsonSchema | undefined;
  if (json) return json['type'] === 'null' ? json : nullable(own, json);
  if (meta?.['anyOf']) return anyOf(meta, depth, definitions);
  if (meta?.['values'])
    return {
      type: 'object',
      propertyNames: jsonSchemaOf(idSchema),
      additionalProperties: jsonSchemaOf(meta['values'] as ISchema<unknown>, depth + 1, definitions),
    };
  switch (own.type) {
    case 'object': {
      const fields = (own as unknown as { readonly fields: Readonly<Record<string, ISchema<unknown>>> }).fields;
      const required = Object.entries(fields).flatMap(([key, field]) => (isOptional(field) ? [] : [key]));
      return nullable(own, {
        type: 'object',
        properties: Object.fromEntries(
          Object.entries(fields).map(([key, field]) => [key, jsonSchemaOf(field, depth + 1, definitions)]),
        ),
        ...(required.length > 0 && { required }),
        ...(hasTest(own, 'noUnknown') && { additionalProperties: false }),
      });
    }
    case 'array': {
      const { innerType } = own as unknown as { readonly innerType?: ISchema<unknown> };
      return nullable(own, {
        type: 'array',
        ...(innerType && { items: jsonSchemaOf(innerType, depth + 1, definitions) }),
        ...limitsOf(own, 'Items'),
      });
    }
    case 'tuple': {
      const { types } = (own as unknown as { readonly spec: { readonly types: readonly ISchema<unknown>[] } }).spec;
      return nullable(own, {
        type: 'array',
        prefixItems: types.map((type) => jsonSchemaOf(type, depth + 1, definitions)),
        minItems: types.length,
        maxItems: types.length,
      });
    }
    case 'string':
      return nullable(own, {
        type: 'string',
        ...emptyOf(own),
        ...limitsOf(own, 'Length'),
        ...choicesOf(own),
        ...patternOf(own),
      });
    case 'number':
      return nullable(own, {
        type: hasTest(own, 'integer') ? 'integer' : 'number',
        ...rangeOf(own),
        ...choicesOf(own),
      });
    case 'boolean':
      return nullable(own, { type: 'boolean', ...choicesOf(own) });
    case 'lazy':
      return {};
    default:
      return nullable(own, choicesOf(own));
  }
}

function anyOf(
  meta: Readonly<Record<string, unknown>> | undefined,
  depth: number,
  definitions: Definitions | undefined,
): JsonSchema {
  const variants = meta?.['anyOf'] as ISchema<unknown>[] | (() => ISchema<unknown>[]);
  const list = typeof variants === 'function' ? variants() : variants;
  return { anyOf: list.map((variant) => jsonSchemaOf(variant, depth + 1, definitions)) };
}

function nullable(schema: Described, json: JsonSchema): JsonSchema {
  if (schema.spec?.nullable !== true) return json;
  if (typeof json['type'] === 'string') return { ...json, type: [json['type'], 'null'] };
  return Object.keys(json).length === 0 ? json : { anyOf: [json, { type: 'null' }] };
}

function isOptional(field: ISchema<unknown>): boolean {
  const { spec } = field as unknown as Described;
  return spec?.optional === true || spec?.default !== undefined || spec?.meta?.['optional'] === true;
}

type Test = SchemaDescription['tests'][number];

function testsOf(schema: Schema): readonly Test[] {
  return schema.describe().tests;
}

function hasTest(schema: Schema, name: string): boolean {
  return testsOf(schema).some((test) => test.name === name);
}

function param(schema: Schema, name: string, key: string): unknown {
  return testsOf(schema).find((test) => test.name === name)?.params?.[key];
}

function limitsOf(schema: Schema, what: 'Items' | 'Length'): JsonSchema {
  const length = param(schema, 'length', 'length');
  const [least, most] = [param(schema, 'min', 'min') ?? length, param(schema, 'max', 'max') ?? length];
  return { ...(least !== undefined && { [`min${what}`]: least }), ...(most !== undefined && { [`max${what}`]: most }) };
}

/** Text that has to be there is not empty. */
function emptyOf(schema: Schema): JsonSchema {
  return hasTest(schema, 'required') ? { minLength: 1 } : {};
}

function rangeOf(schema: Schema): JsonSchema {
  const [least, most] = [param(schema, 'min', 'min'), param(schema, 'max', 'max')];
  const [more, less] = [param(schema, 'min', 'more'), param(schema, 'max', 'less')];
  return {
    ...(least !== undefined && { minimum: least }),
    ...(more !== undefined && { exclusiveMinimum: more }),
    ...(most !== undefined && { maximum: most }),
    ...(less !== undefined && { exclusiveMaximum: less }),
  };
}

/** Text without space at its ends. */
const TRIMMED = '^(?:\\S(?:[\\s\\S]*\\S)?)?$';

function patternOf(schema: Schema): JsonSchema {
  const regex = param(schema, 'matches', 'regex');
  if (regex instanceof RegExp) return { pattern: regex.source };
  return hasTest(schema, 'trim') ? { pattern: TRIMMED } : {};
}

function choicesOf(schema: Schema): JsonSchema {
  const { oneOf } = schema.describe() as { readonly oneOf?: readonly unknown[] };
  return oneOf && oneOf.length > 0 ? { enum: oneOf } : {};
}

/** The JSON Schema of a body or an answer, which may be a file. */
export function contentOf(content: ISchema<unknown> | typeof FILE, definitions: Definitions): JsonSchema {
  return content === FILE
    ? { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } }
    : { 'application/json': { schema: jsonSchemaOf(content, 0, definitions) } };
}
