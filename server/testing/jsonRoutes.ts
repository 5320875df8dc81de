import { Ajv2020 } from 'ajv/dist/2020.js';
import { FILE, ROUTES, type Route } from '../../contract/index.ts';
import { jsonSchemaFile, type JsonSchema } from '../../contract/jsonSchema.ts';
import { BodyArbitraries, type KnownIds } from './bodies.ts';

/** A route that takes JSON, with what its body may be. */
export interface JsonRoute {
  readonly name: string;
  readonly route: Route;
  readonly bodies: BodyArbitraries;
  readonly schema: JsonSchema;
  /** Whether a body fits the description that the contract publishes. */
  readonly fits: (value: unknown) => boolean;
}

/** All routes that take JSON. */
export function jsonRoutes(ids: KnownIds): JsonRoute[] {
  const ajv = new Ajv2020({ strict: false, validateFormats: false });
  return Object.entries(ROUTES).flatMap(([name, route]: [string, Route]) => {
    if (route.body === undefined || route.body === FILE) return [];
    const schema = jsonSchemaFile(name, route.body);
    const bodies = new BodyArbitraries((schema['$defs'] ?? {}) as Readonly<Record<string, JsonSchema>>, ids);
    const validate = ajv.compile(schema);
    return [{ name, route, bodies, schema, fits: (value) => validate(value) }];
  });
}
