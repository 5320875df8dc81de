import { nanoid } from 'nanoid';
import type { FILE } from '../../contract/index.ts';
import {
  OWN_HEADER,
  WINDOW_HEADER,
  pathOf,
  type AnswerOf,
  type JsonBodyOf,
  type ParamsOf,
  type QueryOf,
  type Route,
} from '../../contract/index.ts';
import { TEXTS } from './texts.ts';

/** An answer of the server that says no; the message is a sentence for the person. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

/** The server cannot be reached at all. */
export class Unreachable extends Error {
  constructor() {
    super(TEXTS.hevrelsServerDoesNotAnswer);
  }
}

/** What every request says of this window. */
const HEADERS = { ...OWN_HEADER, [WINDOW_HEADER]: nanoid(12) };

type Part<K extends string, T> = [T] extends [undefined] ? unknown : { readonly [P in K]: T };
/** What a route has to be given. */
export type Given<R> = Part<'params', ParamsOf<R>> & Part<'query', Partial<QueryOf<R>>> & Part<'body', JsonBodyOf<R>>;

/** As a call reads what it was given, whichever route it is for. */
interface Parts {
  readonly params?: Readonly<Record<string, unknown>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}

/**
 * Calls a route of the contract; JSON both ways.
 *
 * @param keepalive whether the request may outlive its window
 * @throws ApiProblem, Unreachable
 */
export async function call<const R extends Route>(route: R, given: Given<R>, keepalive = false): Promise<AnswerOf<R>> {
  const { params, query, body } = partsOf(given);
  let response: Response;
  try {
    response = await fetch(pathOf(route, params, query), {
      method: route.method,
      keepalive,
      headers: { ...HEADERS, ...(body !== undefined && { 'Content-Type': 'application/json' }) },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    });
  } catch {
    throw new Unreachable();
  }
  const text = await response.text();
  if (!response.ok) throw problemOf(response.status, text);
  return answerIn(text);
}

function partsOf(given: unknown): Parts {
  return Object(given);
}

/** What the server says is what the contract says: a test holds every answer of the server against its schema. */
function answerIn(text: string) {
  return JSON.parse(text === '' ? 'null' : text);
}

/** The problem in an error answer's body, or a sentence of our own where it holds none. */
export function problemOf(status: number, body: string): ApiProblem {
  try {
    const problem: unknown = JSON.parse(body);
    const detail: unknown = typeof problem === 'object' && problem !== null && Reflect.get(problem, 'detail');
    if (typeof detail === 'string') return new ApiProblem(status, detail);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  return new ApiProblem(status, TEXTS.theServerAnsweredWithThe(status));
}

/** Sends one file with progress, 0 to 1; can be stopped. @throws ApiProblem, Unreachable */
export function upload<const R extends Route & { readonly body: typeof FILE }>(
  route: R,
  given: Given<R>,
  file: Blob,
  onProgress: (share: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<AnswerOf<R>> {
  const { params, query } = partsOf(given);
  return new Promise((resolve, reject) => {
    // fetch does not tell how much of a body it has sent.
    const request = new XMLHttpRequest();
    request.open(route.method, pathOf(route, params, query));
    for (const [name, value] of Object.entries(HEADERS)) request.setRequestHeader(name, value);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.upload.onprogress = (event) => onProgress(event.lengthComputable ? event.loaded / event.total : 0);
    request.onload = () => {
      if (request.status < 300) resolve(answerIn(request.responseText));
      else reject(problemOf(request.status, request.responseText));
    };
    request.onerror = () => reject(new Unreachable());
    request.onabort = () => reject(new ApiProblem(0, TEXTS.stoppedNothingWasAdded));
    signal?.addEventListener('abort', () => request.abort(), { once: true });
    request.send(file);
  });
}

/** The address of kept content. */
export function blobUrl(address: string): string {
  return `/api/blobs/${address}`;
}

/** The address of a kept picture as small as cards show it. */
export function smallPictureUrl(address: string): string {
  return `/api/blobs/${address}/small`;
}
