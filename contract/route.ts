import '../core/schema/index.ts';
import type { Immutable } from '../core/schema/index.ts';
import { object, type AnyObject, type InferType, type ISchema, type ObjectSchema } from 'yup';

/** What is sent as it is: one file. */
export const FILE = 'file';

/** Sent with everything that changes something: a page from elsewhere cannot, so the server knows its own. */
export const OWN_HEADER = { 'X-Requested-With': 'Hevrel' } as const;

/** Names the window that asks, by any text of its own: what is slow for one does not keep the others waiting. */
export const WINDOW_HEADER = 'X-Window';

/** One route of the API: all that server, browser and documentation know of it. */
export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** Below `/api`, parameters in braces. */
  readonly path: string;
  /** What it does, in a sentence. */
  readonly summary: string;
  readonly params?: ObjectSchema<AnyObject>;
  readonly query?: ObjectSchema<AnyObject>;
  /** JSON that fits a schema, or a file as it is. */
  readonly body?: ISchema<unknown> | typeof FILE;
  /** Largest body, bytes; 100 kB of JSON unless given. */
  readonly limit?: number;
  /** JSON that fits a schema, or a file; nothing (204) where missing. */
  readonly answer?: ISchema<unknown> | typeof FILE;
  /** The schema of each event, where the answer is a stream of them. */
  readonly events?: ISchema<unknown>;
  /** What the finished job tells, where the answer is a job. */
  readonly result?: ISchema<unknown>;
  /** 200 where there is an answer, unless given. */
  readonly status?: 200 | 201 | 202;
  /** Statuses of the problems that may come instead, besides those that any may answer. */
  readonly problems: readonly number[];
}

/** A route with its own types kept. */
export function route<const R extends Route>(definition: R): R {
  return definition;
}

type Inferred<S> = S extends ISchema<unknown> ? Immutable<InferType<S>> : undefined;
type Field<R, K extends keyof Route> = R extends { readonly [P in K]: infer S } ? S : undefined;

export type ParamsOf<R> = Inferred<Field<R, 'params'>>;
export type QueryOf<R> = Inferred<Field<R, 'query'>>;
export type AnswerOf<R> = Inferred<Field<R, 'answer'>>;
export type EventOf<R> = Inferred<Field<R, 'events'>>;
export type ResultOf<R> = Inferred<Field<R, 'result'>>;
export type JsonBodyOf<R> = Field<R, 'body'> extends typeof FILE ? undefined : Inferred<Field<R, 'body'>>;

/** An object of exactly these fields. */
export const exactly = <F extends Parameters<typeof object>[0] & object>(fields: F) =>
  object(fields).noUnknown().required();

/** The path with its parameters filled in, and its query. */
export function pathOf(
  { path }: Pick<Route, 'path'>,
  params: Readonly<Record<string, unknown>> = {},
  query: Readonly<Record<string, unknown>> = {},
): string {
  const filled = path.replace(/\{(\w+)\}/g, (_whole, name: string) => encodeURIComponent(String(params[name])));
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  ).toString();
  return `/api${filled}${search && `?${search}`}`;
}
