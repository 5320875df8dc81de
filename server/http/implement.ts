import { raw, type Request, type RequestHandler, type Response, type Router } from 'express';
import type { ISchema, Schema } from 'yup';
import type { Pool } from '../work/pool.ts';
import {
  FILE,
  ROUTES,
  type AnswerOf,
  type JsonBodyOf,
  type ParamsOf,
  type QueryOf,
  type Route,
} from '../../contract/index.ts';
import { Problem } from '../problem.ts';
import { checkLetters, readJson } from './readJson.ts';

const MOST_JSON_BYTES = 100 * 1024;

/** What a handler is given: all of it has been held against the contract. */
export interface Call<R> {
  readonly params: ParamsOf<R>;
  readonly query: QueryOf<R>;
  readonly body: JsonBodyOf<R>;
  /** The file that was sent, for routes that take one. */
  readonly file: Buffer;
  /** Aborted when whoever asked has gone before there was an answer. */
  readonly signal: AbortSignal;
  readonly request: Request;
  readonly response: Response;
}

/** Routes that answer with a file or a stream write it themselves. */
type Answered<R> = R extends { readonly answer: ISchema<unknown> } ? AnswerOf<R> : unknown;

/** Adds a route of the contract to a router; the handler's types are the contract's. */
export function implement<const R extends Route>(
  router: Router,
  route: R,
  handle: (call: Call<R>) => Answered<R> | Promise<Answered<R>>,
): void {
  const path = `/api${route.path.replace(/\{(\w+)\}/g, ':$1')}`;
  const handler: RequestHandler = async (request, response) => {
    const gone = new AbortController();
    response.once('close', () => {
      if (!response.writableFinished) gone.abort();
    });
    const call = {
      params: checked(route.params, asked(request.params), false),
      query: checked(route.query, asked(request.query), false),
      body: route.body === FILE ? undefined : await sentBody(route, request),
      file: Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0),
      signal: gone.signal,
      request,
      response,
    };
    let answer: unknown;
    try {
      answer = await handle(call as unknown as Call<R>);
    } catch (error) {
      // There is nobody to tell any more.
      if (gone.signal.aborted) return;
      throw error;
    }
    if (response.headersSent || route.answer === FILE || route.events) return;
    if (route.answer === undefined) response.status(204).end();
    else response.status(route.status ?? 200).json(answer);
  };
  router[METHODS[route.method]](path, ...readersOf(route), handler);
}

const METHODS = { GET: 'get', POST: 'post', PUT: 'put', PATCH: 'patch', DELETE: 'delete' } as const;

/** What stands in an address, each thing once. @throws Problem (400) */
function asked(values: Readonly<Record<string, unknown>>): unknown {
  checkLetters(values);
  const twice = Object.keys(values).find((name) => typeof values[name] !== 'string');
  if (twice !== undefined)
    throw new Problem(
      400,
      'Not understood',
      `The address says “${twice.slice(0, 40)}” more than once. Nothing was changed.`,
    );
  return values;
}

/** JSON that is larger is held against its schema in a process of the pool: it takes too long to be done between two requests. */
const LARGE_BYTES = 128 * 1024;

type CheckLarge = (route: Route, json: Buffer) => Promise<void>;

/** Has large JSON checked in the pool. */
export function checkInPool(pool: Pool): CheckLarge {
  return async (route, json) => {
    const [name] = Object.entries(ROUTES).find(([, listed]) => listed === route) as [string, Route];
    await pool.run({ kind: 'check', route: name, json });
  };
}

async function sentBody(route: Route, request: Request): Promise<unknown> {
  const body: unknown = request.body;
  const json = Buffer.isBuffer(body) && body.length > 0 ? body : undefined;
  const value = json && readJson(json);
  if (!json || json.length <= LARGE_BYTES) return checked(route.body === FILE ? undefined : route.body, value, true);
  const checkLarge = request.app.locals['checkLarge'] as CheckLarge;
  await checkLarge(route, json);
  return value;
}

/** @param isExact whether values have to be of their types already, as those of JSON are and those of addresses are not */
function checked(schema: ISchema<unknown> | undefined, value: unknown, isExact: boolean): unknown {
  // Every schema of the contract can be asked at once; Yup's interface of them does not say so.
  return (schema as Schema | undefined)?.validateSync(value, { strict: isExact });
}

function readersOf({ body, limit }: Route): RequestHandler[] {
  if (body === undefined) return [];
  if (body !== FILE) return [raw({ type: 'application/json', limit: limit ?? MOST_JSON_BYTES })];
  const most = limit ?? MOST_JSON_BYTES;
  return [
    (request, _response, next) => {
      // Refused by its length before it is read.
      if (Number(request.headers['content-length'] ?? 0) > most)
        throw new Problem(
          413,
          'Too large',
          `The file is larger than ${Math.round(most / 1024 / 1024)} MB. Nothing was added; make it smaller and import it again.`,
        );
      next();
    },
    raw({ type: () => true, limit: most }),
  ];
}

/** The file of a call. @throws Problem 422 where it is empty */
export function fileOf({ file }: Pick<Call<Route>, 'file'>, name: string): Buffer {
  if (file.length === 0) throw new Problem(422, 'Empty file', `“${name.slice(0, 60)}” is empty. Nothing was added.`);
  return file;
}
