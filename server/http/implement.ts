import { cutText } from '../../core/schema/index.ts';
import type { Request, RequestHandler, Response, Router } from 'express';
import type { ISchema, Schema } from 'yup';
import {
  FILE,
  WINDOW_HEADER,
  type AnswerOf,
  type JsonBodyOf,
  type ParamsOf,
  type QueryOf,
  type Route,
} from '../../contract/index.ts';
import { Problem } from '../problem.ts';
import type { SourceFile } from '../store/sourceFile.ts';
import type { TaskOrder } from '../work/pool.ts';
import type { Bodies } from './bodies.ts';
import { checkLetters } from './readJson.ts';

const MOST_JSON_BYTES = 100 * 1024;
/** After an answer, what still comes of a body that was refused is thrown away for so long, so that the answer arrives; ms. */
const DRAIN_MS = 2000;

/** What a handler is given: all of it has been held against the contract. */
export interface Call<R> {
  readonly params: ParamsOf<R>;
  readonly query: QueryOf<R>;
  readonly body: JsonBodyOf<R>;
  /** The file that was sent, for routes that take one; it is gone once there is an answer. */
  readonly file: SourceFile;
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
  const handler: RequestHandler = async (request, response) => {
    const gone = new AbortController();
    response.once('close', () => {
      if (!response.writableFinished) gone.abort();
    });
    const bodies = request.app.locals['bodies'] as Bodies;
    const limit = route.limit ?? MOST_JSON_BYTES;
    const answered = async (sent: { readonly file: SourceFile } | { readonly body: unknown }): Promise<unknown> =>
      handle({ ...address, ...sent, signal: gone.signal, request, response } as unknown as Call<R>);
    const address = {
      params: checked(route.params, asked(request.params)),
      query: checked(route.query, asked(request.query)),
    };
    let answer: unknown;
    try {
      if (route.body === undefined) answer = await answered({ body: undefined });
      else if (route.body === FILE) answer = await bodies.file(request, limit, (file) => answered({ file }));
      else answer = await answered({ body: await bodies.json(request, route, limit) });
    } catch (error) {
      // There is nobody to tell any more.
      if (gone.signal.aborted || (request.destroyed && !request.complete)) return;
      if (!request.complete) drain(request, response);
      throw error;
    }
    if (response.headersSent || route.answer === FILE || route.events) return;
    if (route.answer === undefined) response.status(204).end();
    else response.status(route.status ?? 200).json(answer);
  };
  router[METHODS[route.method]](route.path.replace(/\{(\w+)\}/g, ':$1'), handler);
}

function drain(request: Request, response: Response): void {
  request.resume();
  response.set('Connection', 'close');
  response.once('finish', () => setTimeout(() => request.socket.destroy(), DRAIN_MS).unref());
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
      `The address says “${cutText(twice, 40)}” more than once. Nothing was changed.`,
    );
  return values;
}

function checked(schema: ISchema<unknown> | undefined, value: unknown): unknown {
  // Every schema of the contract can be asked at once; Yup's interface of them does not say so.
  return (schema as Schema | undefined)?.validateSync(value);
}

/** The file of a call. @throws Problem 422 where it is empty */
export function fileOf({ file }: Pick<Call<Route>, 'file'>, name: string): SourceFile {
  if (file.bytes === 0) throw new Problem(422, 'Empty file', `“${cutText(name, 60)}” is empty. Nothing was added.`);
  return file;
}

/** What is said of a call to the pool: when it is of no use any more, and which window asks. */
export function orderOf({ signal, request }: Pick<Call<Route>, 'signal' | 'request'>): TaskOrder {
  return { signal, window: request.get(WINDOW_HEADER) ?? '' };
}
