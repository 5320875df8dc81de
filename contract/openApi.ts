import type { ISchema, ObjectSchema } from 'yup';
import { ROUTES } from './index.ts';
import { contentOf, Definitions, jsonSchemaOf, type JsonSchema } from './jsonSchema.ts';
import type { Route } from './route.ts';

const PROBLEMS: Readonly<Record<number, string>> = {
  400: 'What was sent does not fit the contract.',
  403: 'It was asked by another page or program.',
  404: 'There is no such thing.',
  408: 'The body stopped half-way.',
  409: 'It was changed elsewhere, or is in use.',
  410: 'It is no longer kept.',
  413: 'It is too large.',
  415: 'It is no file of a kind that can be read.',
  421: 'It was asked under a name that is not this server’s.',
  422: 'It can be read, but not done.',
  429: 'Too much of it waits already.',
  500: 'Something went wrong on the server.',
  503: 'Hevrel is starting or closing, or its database was started again; ask once more.',
  507: 'The disk is full.',
};

/** The API as an OpenAPI 3.1 document. */
export function openApi(): JsonSchema {
  const definitions = new Definitions('#/components/schemas/');
  const paths: Record<string, Record<string, JsonSchema>> = {};
  for (const [name, route] of Object.entries(ROUTES))
    (paths[`/api${route.path}`] ??= {})[route.method.toLowerCase()] = operationOf(name, route, definitions);
  return {
    openapi: '3.1.0',
    info: {
      title: 'Hevrel',
      version: '1',
      description:
        'What Hevrel’s server and browser say to each other. Every problem is application/problem+json (RFC 9457) with a sentence in `detail`.',
    },
    paths,
    components: {
      schemas: {
        ...Object.fromEntries(definitions),
        Problem: {
          type: 'object',
          required: ['type', 'title', 'status', 'detail'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string', description: 'What happened, what was kept, what to do.' },
          },
        },
      },
    },
  };
}

function operationOf(name: string, route: Route, definitions: Definitions): JsonSchema {
  const { summary, params, query, body, answer, events, result, problems } = route;
  const status = answer === undefined && !events ? 204 : (route.status ?? 200);
  return {
    operationId: name,
    summary,
    parameters: [...parametersOf(params, 'path'), ...parametersOf(query, 'query')],
    ...(body !== undefined && { requestBody: { required: true, content: contentOf(body, definitions) } }),
    responses: {
      [status]: {
        description: result ? 'The job, which can be followed.' : 'Done.',
        ...(answer !== undefined && { content: contentOf(answer, definitions) }),
        ...(events && { content: { 'text/event-stream': { schema: jsonSchemaOf(events, 0, definitions) } } }),
      },
      ...Object.fromEntries(
        [...new Set([400, 403, 408, 421, 422, ...problems, 500, 503, 507])].map((problem) => [
          problem,
          {
            description: PROBLEMS[problem],
            content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
          },
        ]),
      ),
    },
    ...(result && { 'x-job-result': jsonSchemaOf(result, 0, definitions) }),
  };
}

function parametersOf(schema: ObjectSchema<object> | undefined, place: 'path' | 'query'): JsonSchema[] {
  return Object.entries((schema?.fields ?? {}) as Readonly<Record<string, ISchema<unknown>>>).map(([name, field]) => {
    const json = jsonSchemaOf(field);
    const required =
      place === 'path' ||
      (jsonSchemaOf(schema as ISchema<unknown>)['required'] as string[] | undefined)?.includes(name);
    return { name, in: place, required: required === true, schema: json };
  });
}
